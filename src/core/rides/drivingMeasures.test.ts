import fc from 'fast-check';
import { seededRandom } from '../numeric/random';
import { counterSteers } from './counterSteers';
import { besideLine, lineOf } from './lapLine';
import { splitLaps } from './laps';
import { measureRide } from './measureRide';
import { reversals } from './reversals';
import type { RideLog } from './rideLog';

const RATE = 50;
const seconds = (n: number) => Float64Array.from({ length: n * RATE }, (_, i) => i / RATE);
const log = (columns: Partial<RideLog['columns']> & { t_s: Float64Array }): RideLog => ({
  columns,
  notes: {},
});

it('a triangle turns twice a period, whatever its size, as long as it is larger than the gap', () => {
  const triangle = (periods: number, size: number) =>
    Float64Array.from({ length: periods * 100 + 1 }, (_, i) => size * Math.abs(((i / 50) % 2) - 1));
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 9 }),
      fc.double({ min: 2.1, max: 90, noNaN: true }),
      (periods, size) => {
        // The first and the last point are no turns.
        expect(reversals(triangle(periods, size), 2)).toBe(2 * periods - 1);
        expect(reversals(triangle(periods, 1.9), 2)).toBe(0);
      },
    ),
  );
});

it('turns do not depend on what is added, on the side, nor on tremor under the gap', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 2, maxLength: 40 }), (values) => {
      const turns = reversals(values, 3);
      expect(
        reversals(
          values.map((v) => 7 - v),
          3,
        ),
      ).toBe(turns);
      expect(reversals([...values].reverse(), 3)).toBe(turns);
      expect(turns).toBeLessThan(values.length);
    }),
  );
});

/** Laps of 20 s, steered by a slow weave and a fast tremor. */
function steered(weaveHz: number, tremorHz: number, tremorDeg: number): RideLog {
  const t_s = seconds(62);
  return log({
    t_s,
    distance_m: t_s.map((t) => 20 * ((t % 20) + 0.0001)),
    lap: t_s.map((t) => Math.floor(t / 20)),
    steer_deg: t_s.map(
      (t) => 20 * Math.sin(2 * Math.PI * weaveHz * t) + tremorDeg * Math.sin(2 * Math.PI * tremorHz * t),
    ),
  });
}

it('counts slow reversals by the minute and feels fast ones as twitch, each apart from the other', () => {
  const { summary } = measureRide(steered(0.2, 6, 1));
  // Two turns a period of 5 s.
  expect(summary.steeringReversals).toBeCloseTo(24, 0);
  expect(summary.steeringTwitch!).toBeGreaterThan(0.95 * Math.SQRT1_2);
  expect(summary.steeringTwitch!).toBeLessThan(1.05 * Math.SQRT1_2);
  expect(measureRide(steered(0.2, 6, 0)).summary.steeringTwitch!).toBeLessThan(0.15);
});

it('a slide that is caught is one event of its length; a hand that goes with the car is none', () => {
  const t_s = seconds(10);
  const inside = (t: number, from: number, to: number) => t >= from && t < to;
  const columns = {
    t_s,
    yaw_radps: t_s.map(() => 0.5),
    slip_rear_rad: t_s.map((t) => (inside(t, 2, 3) || inside(t, 5, 5.06) || inside(t, 7, 8) ? 0.2 : 0.01)),
    steer_deg: t_s.map((t) => (inside(t, 2.2, 9) && !inside(t, 7, 8) ? -60 : 60)),
  };
  const found = counterSteers(log(columns), { from: 0, to: t_s.length })!;
  expect(found.count).toBe(1);
  expect(found.catchS!).toBeCloseTo(0.8, 1);
  const mirrored = {
    ...columns,
    yaw_radps: columns.yaw_radps.map((v) => -v),
    steer_deg: columns.steer_deg.map((v) => -v),
  };
  expect(counterSteers(log(mirrored), { from: 0, to: t_s.length })).toEqual(found);
  expect(counterSteers(log({ t_s }), { from: 0, to: 10 })).toBeNull();
});

it('laps that wander about a line are beside it by as much, however few they are', () => {
  const random = seededRandom(3);
  const spread = 0.4;
  const means = [2, 3, 8].map((laps) => {
    let sum = 0;
    const runs = 60;
    for (let run = 0; run < runs; run++) {
      const t_s = seconds(20 * laps);
      const beside = Array.from({ length: laps }, () => spread * random.normal());
      const ride = log({
        t_s,
        distance_m: t_s.map((t) => 10 * (t % 20)),
        x_m: t_s.map((t) => 10 * (t % 20)),
        y_m: t_s.map((t) => beside[Math.min(laps - 1, Math.floor(t / 20))]!),
      });
      const spans = beside.map((_, k) => ({ from: 20 * RATE * k, to: 20 * RATE * (k + 1) }));
      const line = lineOf(ride.columns, spans)!;
      sum += spans.reduce((a, span) => a + besideLine(ride, span, line)! ** 2, 0) / laps / runs;
    }
    return Math.sqrt(sum);
  });
  for (const found of means) expect(Math.abs(found / spread - 1)).toBeLessThan(0.15);
});

it('a lap is as long as it took, wherever its samples happen to lie', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 40, max: 42, noNaN: true }), { minLength: 2, maxLength: 4 }),
      fc.constantFrom(20, 50, 100),
      fc.boolean(),
      (times, rate, withSpeed) => {
        const length = 1000;
        const ends = times.map((_, i) => times.slice(0, i + 1).reduce((a, b) => a + b, 0));
        const n = Math.floor(ends.at(-1)! * rate);
        const at = Array.from({ length: n + 1 }, (_, i) => i / rate);
        const lapAt = (t: number) =>
          Math.min(
            times.length - 1,
            ends.findIndex((end) => t < end) < 0 ? times.length - 1 : ends.findIndex((end) => t < end),
          );
        const since = (t: number) => t - (lapAt(t) === 0 ? 0 : ends[lapAt(t) - 1]!);
        const columns = {
          t_s: Float64Array.from(at),
          lap: Float64Array.from(at, lapAt),
          distance_m: Float64Array.from(at, (t) => (since(t) * length) / times[lapAt(t)]!),
          ...(withSpeed ? { speed_mps: Float64Array.from(at, (t) => length / times[lapAt(t)]!) } : {}),
        };
        splitLaps(log(columns)).forEach((lap, i) => expect(lap.timeS!).toBeCloseTo(times[i]!, 2));
      },
    ),
    { numRuns: 60 },
  );
});
