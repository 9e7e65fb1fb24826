import fc from 'fast-check';
import { carById, simulatedRigById, titleById, trackById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { NEUTRAL_LAYER } from '../response/layer';
import { forceField } from './forceParameters';
import { keyText } from '../settings/setting';
import { completeRide } from '../vehicle/simulateRide';
import { chainOf } from './chainOf';
import { forceRecorder } from './forceInputs';
import { fullScaleFromLog } from './fullScaleFromLog';
import { rideForce, withForce } from './rideForce';

const { spec, pedals } = simulatedRigById('tern');
const pedal = (name: 'throttle' | 'brake') => {
  const hardware = pedals[name]!;
  const { released, pressed } = hardware;
  return { hardware, calibration: { released, pressed }, layers: [NEUTRAL_LAYER] };
};

/** A ride with its force logged, in a title at a gain. */
function rideOf(titleId: string, carId: string, trackId: string, gain: number | null) {
  const [title, car] = [titleById(titleId), carById(carId)];
  const menus = menusFor(spec, title, car);
  const field = forceField(menus, {}, 'title', 'gain')!;
  const values = gain === null ? {} : { [keyText(field.key)]: gain };
  const chain = chainOf({ car, rig: spec, rateHz: title.forceHz, menus, values, rotationDeg: null });
  const recorder = forceRecorder(title.forceHz);
  const plan = {
    ...{ car, track: trackById(trackId), laps: 2, seed: 3 },
    ...{ throttle: pedal('throttle'), brake: pedal('brake') },
    foot: { restTravel: 0, restWander: 0.002, pressTravel: 0.9, pressSpread: 0.02 },
  };
  const log = completeRide(plan, recorder);
  const inputs = recorder.finish();
  return { car, gain: chain.title.gain, log: withForce(log, inputs, rideForce(inputs, chain, plan.seed)) };
}

it.each([
  ['causeway', 'marl-850', 'saltmarsh-loop'],
  ['hill-and-hollow', 'spindrift-h4', 'saltmarsh-loop'],
  ['millstone', 'dray-55', 'millrace-ring'],
])('%s: the full scale of the %s is found within 6 %%, whatever the log calls it', (title, car, track) => {
  const { log, gain, car: truth } = rideOf(title, car, track, null);
  const found = fullScaleFromLog(log, { ...truth, fullScaleNm: 99 }, gain)!;
  expect(Math.abs(found.fullScaleNm / truth.fullScaleNm - 1)).toBeLessThan(0.06);
  expect(found.plusMinusNm / found.fullScaleNm).toBeLessThan(0.1);
  // Half the gain writes half the signal, and is no other scale.
  const half = { ...log, columns: { ...log.columns, ffb: log.columns.ffb!.map((x) => -x / 2) } };
  expect(fullScaleFromLog(half, truth, gain / 2)!.fullScaleNm).toBeCloseTo(found.fullScaleNm, 6);
});

describe('what tells nothing of it', () => {
  const { log, car, gain } = rideOf('causeway', 'marl-850', 'saltmarsh-loop', null);
  const { ffb, ay_mps2, ...rest } = log.columns;

  it('a log without a force or without lateral acceleration', () => {
    expect(fullScaleFromLog({ ...log, columns: { ...rest, ay_mps2: ay_mps2! } }, car, gain)).toBeNull();
    const straight = { ...rest, ffb: ffb! };
    delete straight.yaw_radps;
    expect(fullScaleFromLog({ ...log, columns: straight }, car, gain)).toBeNull();
  });

  it('yaw rate and speed stand in for lateral acceleration', () => {
    const whole = fullScaleFromLog(log, car, gain)!;
    const byYaw = fullScaleFromLog({ ...log, columns: { ...rest, ffb: ffb! } }, car, gain)!;
    expect(Math.abs(byYaw.fullScaleNm / whole.fullScaleNm - 1)).toBeLessThan(0.05);
  });

  it('a force that follows something else than the corners', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.3, max: 7, noNaN: true }), (hz) => {
        const other = log.columns.t_s.map((t) => 0.5 * Math.sin(2 * Math.PI * hz * t));
        expect(fullScaleFromLog({ ...log, columns: { ...log.columns, ffb: other } }, car, gain)).toBeNull();
      }),
      { numRuns: 10 },
    );
  });

  it('a few seconds of it', () => {
    const few = Object.fromEntries(
      Object.entries(log.columns).map(([name, values]) => [name, values.subarray(0, 1500)]),
    );
    expect(fullScaleFromLog({ ...log, columns: few as typeof log.columns }, car, gain)).toBeNull();
  });
});
