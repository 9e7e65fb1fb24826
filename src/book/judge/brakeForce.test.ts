import { simulatedRigById } from '@/catalog/find';
import { brakeForceInstead } from './brakeForce';

const { spec } = simulatedRigById('gannet');
type Axis = Parameters<typeof brakeForceInstead>[0];
const brake = (recommended: string[]): Axis =>
  ({
    capture: { analysis: { axis: 'brake', pressMean: 0.83 } },
    recommendations: recommended.map((parameter) => ({ parameter })),
  }) as unknown as Axis;

it('stands beside a saturation that is open, on a load cell', () => {
  expect(brakeForceInstead(brake(['saturation']), spec)).toEqual({
    now: 60,
    pressMean: 0.83,
    forFull: 49,
    withMargin: 48,
  });
  const potentiometer = { ...spec, pedals: { ...spec.pedals, brake: 'potentiometer' as const } };
  expect(brakeForceInstead(brake(['saturation']), potentiometer)).toBeNull();
});

it('says nothing of a brake that is settled: it reaches 100 % as it is', () => {
  expect(brakeForceInstead(brake([]), spec)).toBeNull();
  expect(brakeForceInstead(brake(['deadzone']), spec)).toBeNull();
  expect(brakeForceInstead({ ...brake(['saturation']), capture: null }, spec)).toBeNull();
});
