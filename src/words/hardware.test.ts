import { simulatedRigById } from '@/catalog/find';
import { axesOf, plainRig } from '@/core/rig/rigSpec';
import { sensorName } from './hardware';

it('every axis of every rig is called by what measures it', () => {
  const named = (rig: string) => {
    const { spec } = simulatedRigById(rig);
    return Object.fromEntries(axesOf(spec).map((axis) => [axis, sensorName(spec, axis)]));
  };
  expect(named('tern')).toEqual({
    steering: 'Belt-driven base',
    throttle: 'Hall sensor',
    brake: 'Load cell',
    clutch: 'Hall sensor',
    gear: 'Sequential lever',
  });
  expect(named('wren')).toMatchObject({
    steering: 'Gear-driven base',
    brake: 'Potentiometer',
    gear: 'Gate shifter',
  });
  expect(named('gannet')).toMatchObject({
    steering: 'Direct-drive base',
    handbrake: 'Analogue handbrake',
    paddle_left: 'Analogue clutch paddle',
  });
});

it('what nobody named is said to be unnamed', () => {
  const spec = plainRig({ kind: 'real', axes: {} });
  expect([sensorName(spec, 'brake'), sensorName(spec, 'clutch'), sensorName(spec, 'steering')]).toEqual([
    'Sensor not named',
    'Sensor not named',
    'Base',
  ]);
});
