import { unevenHost, type Polling } from '../testing/unevenHost';
import { analyseAxis } from './analyseAxis';
import type { WornSpot } from './pedalSensor';
import { programmeFor } from './programme';
import type { RoughSpot } from './roughness';
import { simulateGuidedCapture } from './simulateCapture';
import type { SimulatedAxis } from './simulatedAxis';
import { tries } from '../testing/longRun';

const COUNTS = { rangeMin: 0, rangeMax: 65535 };
const FINE = { sigma: 20, quantum: 1, ...COUNTS };
const COARSE = { sigma: 60, quantum: 64, ...COUNTS };
const SPAN = 59_000;
const ENDS = { released: 2100, pressed: 2100 + SPAN };
const LOCKS = { right: 2100, left: 2100 + SPAN };
const FOOT = { restTravel: 0.031, restWander: 0.0025, pressTravel: 0.87, pressSpread: 0.018 };
const HAND = { rotationDeg: 900, centreDeg: 0.6, hysteresisDeg: 1.4, handErrorDeg: 1.2 };

const pedal = (sensor: typeof FINE, worn: WornSpot[]): SimulatedAxis => ({
  kind: 'pedal',
  hardware: { ...ENDS, ...sensor, worn },
  habits: FOOT,
});
const wheel = (sensor: typeof FINE, worn: WornSpot[]): SimulatedAxis => ({
  kind: 'wheel',
  hardware: { ...LOCKS, ...sensor, worn },
  habits: HAND,
});

const RATES = [60, 125, 250, 1000];
const pick = <T>(list: readonly T[], k: number) => list[Math.floor(k) % list.length]!;

/** Every rate with every axis, kind of lateness, device and sensor: 144 of them, then from the first again. */
function conditions(k: number) {
  const polling: Polling = {
    rateHz: pick(RATES, k),
    jitterS: 0.004,
    dropped: 0.05,
    stallsPerS: 0.2,
    late: pick(['reading', 'time'], k / 12),
    deviceHz: pick([125, 250, 1000], k / 24),
  };
  const axis: 'brake' | 'steering' = pick(['brake', 'brake', 'steering'], k / 4);
  return { polling, axis, sensor: pick([FINE, COARSE], k / 72) };
}
const ALL = 144;
/** A step through them that leaves none of the rates, axes and sensors out. */
const STRIDE = tries(3, 1);

function analysed(
  axis: 'brake' | 'steering',
  sensor: typeof FINE,
  worn: WornSpot[],
  polling: Polling,
  seed: number,
) {
  const recording = simulateGuidedCapture({
    axis,
    device: 'polled',
    simulated: axis === 'steering' ? wheel(sensor, worn) : pedal(sensor, worn),
    // What wear is judged by.
    steps: programmeFor(axis).filter(({ kind }, i) => kind === 'sweep' || (kind === 'rest' && i === 0)),
    rateHz: polling.rateHz,
    seed,
    host: unevenHost(polling, seed),
  });
  const analysis = analyseAxis(recording, axis);
  if (!analysis.ok) throw new Error(analysis.problems[0]!.message);
  return analysis.value;
}

function spotsOf(k: number, worn: WornSpot[]): RoughSpot[] {
  const { polling, axis, sensor } = conditions(k);
  return analysed(axis, sensor, worn, polling, k + 1).roughSpots;
}

it('no false alarm in clean captures, however unevenly their host polls', () => {
  const alarmed = Array.from({ length: tries(ALL / STRIDE, 1000) }, (_, i) => i * STRIDE).filter(
    (k) => spotsOf(k, []).length > 0,
  );
  expect(alarmed).toEqual([]);
});

it('a worn place is still found through such a host, there and nowhere else', () => {
  const worn = [{ from: 0.3, to: 0.38, sigma: 0.02 * SPAN, dropoutsPerS: 0 }];
  for (let k = 0; k < ALL; k += STRIDE) {
    const spots = spotsOf(k, worn);
    const from = Math.min(...spots.map((spot) => spot.from));
    const to = Math.max(...spots.map((spot) => spot.to));
    // As exact as a bin and a window of 60 Hz are wide.
    expect([k, from > 0.2, to < 0.48]).toEqual([k, true, true]);
  }
});

it.each([125, 250, 1000])(
  'a worn place of a noisy sensor, evenly polled at %i Hz, is found there',
  (rateHz) => {
    const even: Polling = { rateHz, jitterS: 0, dropped: 0, stallsPerS: 0, late: 'time', deviceHz: rateHz };
    const noisy = { ...COARSE, sigma: 0.0022 * SPAN };
    const worn = [{ from: 0.58, to: 0.66, sigma: 0.0135 * SPAN, dropoutsPerS: 2 }];
    const found = Array.from(
      { length: tries(12, 60) },
      (_, seed) => analysed('brake', noisy, worn, even, seed).roughSpots,
    );
    const there = found.filter((spots) => spots.some(({ from, to }) => from < 0.66 && to > 0.58));
    expect(there.length).toBeGreaterThanOrEqual(tries(11, 57));
    expect(found.flat().filter(({ from, to }) => from > 0.72 || to < 0.52)).toEqual([]);
  },
);

it('where the readings come too slowly, it is said that wear was not judged', () => {
  const slow: Polling = { ...conditions(0).polling, rateHz: 30, stallsPerS: 1 };
  const worn = [{ from: 0.3, to: 0.38, sigma: 0.02 * SPAN, dropoutsPerS: 0 }];
  for (const axis of ['brake', 'steering'] as const) {
    const { roughSpots, warnings } = analysed(axis, FINE, worn, slow, 1);
    expect(roughSpots).toEqual([]);
    expect(warnings.join(' ')).toMatch(/too far apart \(\d\d Hz\) to judge the track's wear/);
  }
});
