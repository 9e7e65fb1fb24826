import fc from 'fast-check';
import { seededRandom } from '../numeric/random';
import { SURFACES, type RideLog } from '../rides/rideLog';
import { analyseClipping } from './clipping';
import { tries } from '../testing/longRun';

const RATE = 1000;
type At = (t: number, i: number) => number;

function log(seconds: number, at: At, surface?: At, rate = RATE): RideLog {
  const n = Math.round(seconds * rate);
  const t = Float64Array.from({ length: n }, (_, i) => i / rate);
  const fill = (f: At) => t.map((s, i) => f(s, i));
  return {
    columns: { t_s: t, ffb: fill(at), ...(surface ? { surface: fill(surface) } : {}) },
    notes: {},
  };
}
const clip = (ride: RideLog, gain = 1, step = 0.01) => {
  const result = analyseClipping(ride, { gain, step });
  if (!result.ok) throw new Error(result.problems[0]!.message);
  return result.value;
};

it('a sine clips for 1 − 2/π·asin(1/gain) of the time', () => {
  const sine = log(10, (t) => Math.sin(2 * Math.PI * 1.3 * t));
  for (const gain of [1.1, 1.5, 3])
    expect(clip(sine, gain).clipShare).toBeCloseTo(1 - (2 / Math.PI) * Math.asin(1 / gain), 3);
  expect(clip(sine, 0.99)).toMatchObject({ clipShare: 0, events: [], sustainedShare: 0 });
  expect(clip(sine, 2).headroomDb).toBeCloseTo(-6.02, 2);
});

it('tells a held corner from a hit and from what is neither', () => {
  const kerb = SURFACES.indexOf('kerb');
  const flat = (t: number, from: number, lasts: number) => t >= from - 1e-9 && t < from + lasts - 1e-9;
  const ride = log(
    10,
    (t) => {
      if (flat(t, 1, 0.4)) return 1.2;
      if (flat(t, 3, 0.03)) return -1.5;
      return flat(t, 5, 0.12) || flat(t, 7, 0.12) ? 1.1 : 0.2;
    },
    (t) => (flat(t, 7, 0.1) ? kerb : 0),
  );
  const { events, clipShare, sustainedShare } = clip(ride);
  expect(events.map(({ tS, kind }) => [tS, kind])).toEqual([
    [1, 'sustained'],
    [3, 'impact'],
    [5, 'short'],
    [7, 'impact'],
  ]);
  expect(events[0]!.durationS).toBeCloseTo(0.4, 9);
  expect(clipShare).toBeCloseTo(0.067, 9);
  expect(sustainedShare).toBeCloseTo(0.04, 9);
});

it('joins what is less than 20 ms apart, and counts clipped samples only', () => {
  const with_ = (gapMs: number) =>
    clip(log(2, (_, i) => (i >= 500 && i < 700 && !(i >= 600 && i < 600 + gapMs) ? 1 : 0)));
  expect(with_(19).events).toHaveLength(1);
  expect(with_(19).events[0]!.durationS).toBeCloseTo(0.2, 9);
  expect(with_(19).clipShare).toBeCloseTo(181 / 2000, 12);
  expect(with_(20).events).toHaveLength(2);
});

it('a long buzz of hits is not sustained: its slow part stays low', () => {
  const buzz = clip(log(4, (_, i) => (i >= 1000 && i < 2000 && i % 15 === 0 ? 1.4 : 0)));
  expect(buzz.events).toHaveLength(1);
  expect(buzz.events[0]!.kind).toBe('short');
});

/** Both rules written out plainly: every multiple of the step, the whole log each time. */
function bruteTrade(ride: RideLog, step: number): number {
  for (let k = 1; ; k++) {
    const { clipShare, sustainedShare } = clip(ride, Number((k * step).toPrecision(12)), 1);
    if (clipShare > 0.02 || sustainedShare > 0.002) return Number(((k - 1) * step).toPrecision(12));
  }
}

it('the best gains are those of brute force, and never rounded up', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 1e6 }),
      fc.double({ min: 0.2, max: 2, noNaN: true }),
      fc.constantFrom(0.01, 0.05, 0.1),
      (seed, scale, step) => {
        const random = seededRandom(seed);
        let slow = 0;
        const ride = log(6, () => {
          slow += 0.02 * (random.normal() - slow);
          return scale * (4 * slow + 0.05 * random.normal() ** 3);
        });
        const found = clip(ride, 1, step);
        expect(found.gainTradeBiggestHits).toBe(bruteTrade(ride, step));
        const sorted = ride.columns.ffb!.map(Math.abs).sort();
        const p = 0.9999 * (sorted.length - 1);
        const i = Math.floor(p);
        const peak = sorted[i]! + (sorted[i + 1]! - sorted[i]!) * (p - i);
        expect(found.gainKeepEveryPeak!).toBeLessThanOrEqual(1 / peak + 1e-9);
        expect(found.gainKeepEveryPeak! + step).toBeGreaterThan(1 / peak);
      },
    ),
    { numRuns: tries(3, 15) },
  );
});

it('whatever the gain asked for, the best gains are factors on the log', () => {
  const ride = log(5, (t) => 0.4 * Math.sin(9 * t) + 0.2 * Math.sin(31 * t));
  const { gainKeepEveryPeak, gainTradeBiggestHits } = clip(ride, 1);
  expect(clip(ride, 2.5)).toMatchObject({ gainKeepEveryPeak, gainTradeBiggestHits });
});

it.each([
  ['zero throughout', () => 0, /zero throughout/],
  ['a constant', () => 0.5, /never changes/],
  ['newton metres', (t: number) => 60 * Math.sin(t), /another unit/],
])('a force that is %s is doubted, not refused', (_, at, said) => {
  const found = clip(log(5, at));
  expect(found.warnings.join(' ')).toMatch(said);
  expect(JSON.stringify(found)).not.toMatch(/Infinity|NaN/);
});

it('a constant at half scale is kept just under the clip', () => {
  expect(clip(log(2, () => 0.5))).toMatchObject({ gainKeepEveryPeak: 2, gainTradeBiggestHits: 1.99 });
});

it('slow and uneven logs are judged, and say how', () => {
  expect(clip(log(20, (t) => Math.sin(t), undefined, 12)).warnings.join(' ')).toMatch(/12.0 rows a second/);
  const even = log(4, (t) => (t > 1 && t < 2 ? 1.1 : 0));
  const kept = even.columns.t_s.map((_, i) => i).filter((i) => i % 7 !== 3);
  const uneven: RideLog = {
    columns: {
      t_s: Float64Array.from(kept, (i) => even.columns.t_s[i]!),
      ffb: Float64Array.from(kept, (i) => even.columns.ffb![i]!),
    },
    notes: {},
  };
  const found = clip(uneven);
  expect(found.warnings.join(' ')).toMatch(/uneven times/);
  expect(found.events.map(({ kind }) => kind)).toEqual(['sustained']);
});

it('refuses a log without force, by column', () => {
  const ride = log(1, () => 0);
  delete ride.columns.ffb;
  const result = analyseClipping(ride, { gain: 1, step: 0.01 });
  expect(result).toMatchObject({ ok: false, problems: [{ code: 'no-force', place: { column: 'ffb' } }] });
});
