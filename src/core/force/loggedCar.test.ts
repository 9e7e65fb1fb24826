import fc from 'fast-check';
import { keyText } from '../settings/setting';
import { SMALL_CAR, SMALL_PLAN } from '../testing/smallWorld';
import { completeRide } from '../vehicle/simulateRide';
import { canonicalFacts } from './canonicalFacts';
import { carForce } from './carGains';
import { chainOf } from './chainOf';
import { forceRecorder } from './forceInputs';
import { plainBase, PLAIN_TITLE } from './forceSettings';
import { loggedCar, type ForceLog } from './loggedCar';
import { rideForce, withForce } from './rideForce';

const facts = canonicalFacts(
  {
    title: { ...PLAIN_TITLE, rateHz: 100 },
    base: plainBase(6),
    hardware: {
      ...{ ratedNm: 6, frictionNm: 0.15, delayS: 0.006, inertiaKgM2: 0.012, viscousNms: 0.005 },
      ...{ topRadps: null, rotationDeg: 720 },
    },
  },
  SMALL_CAR,
);
const GAIN = keyText({ layer: 'title', axis: 'steering', field: 'gain' });
const recorder = forceRecorder(100);
const bare = completeRide(SMALL_PLAN, recorder);
const inputs = recorder.finish();

/** The same laps with the force that a title logs at some gain. */
function logAt(gain: number): ForceLog {
  const settings = { ...facts.values, [GAIN]: gain };
  const force = rideForce(inputs, chainOf({ ...facts, values: settings }), SMALL_PLAN.seed);
  return { log: withForce(bare, inputs, force), settings };
}
const simulated = carForce(inputs, facts, SMALL_PLAN.seed);
const low = logAt(0.2);

it('a log says of the car what the simulation knows, whatever gain it was driven with', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.05, max: 0.4, noNaN: true }), (gain) => {
      const { peak, weight } = loggedCar(logAt(gain), facts)!;
      expect(Math.abs(peak! / simulated.peak - 1)).toBeLessThan(0.05);
      expect(Math.abs(weight! / simulated.weight - 1)).toBeLessThan(0.05);
    }),
    { numRuns: 10 },
  );
});

it('what is at full scale in the log is not told; the corners below it are', () => {
  const wild = logAt(0.99 / simulated.weight);
  const { peak, weight, lacks } = loggedCar(wild, facts)!;
  expect(peak).toBeNull();
  expect(lacks.peak).toMatch(/at full scale there: ride it at a lower gain/);
  expect(Math.abs(weight! / simulated.weight - 1)).toBeLessThan(0.05);
  expect(loggedCar(logAt(5 / simulated.weight), facts)).toMatchObject({ peak: null, weight: null });
});

it('says which channel would open the weight in corners', () => {
  const { t_s, ffb, speed_mps, yaw_radps } = low.log.columns;
  const only = (columns: object): ForceLog => ({
    ...low,
    log: { notes: {}, columns: { t_s, ffb: ffb!, ...columns } },
  });
  const without = loggedCar(only({ speed_mps }), facts)!;
  expect(without).toMatchObject({
    weight: null,
    lacks: { peak: null, weight: /lateral acceleration or yaw rate/ },
  });
  expect(without.peak! / loggedCar(low, facts)!.peak!).toBeCloseTo(1, 2);
  const byYaw = loggedCar(only({ speed_mps, yaw_radps }), facts)!;
  expect(Math.abs(byYaw.weight! / simulated.weight - 1)).toBeLessThan(0.1);
});

it('tells nothing of a car that stood, or whose force was not logged', () => {
  const { ffb, ...rest } = low.log.columns;
  expect(loggedCar({ ...low, log: { notes: {}, columns: rest } }, facts)).toBeNull();
  const stood = { ...rest, ffb: ffb!, speed_mps: rest.t_s.map(() => 0) };
  expect(loggedCar({ ...low, log: { notes: {}, columns: stood } }, facts)).toMatchObject({
    ...{ peak: null, weight: null },
    lacks: { peak: 'Its log never moves.' },
  });
  expect(loggedCar({ ...low, settings: { ...low.settings, [GAIN]: 0 } }, facts)).toBeNull();
});
