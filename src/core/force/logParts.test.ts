import fc from 'fast-check';
import { seededRandom } from '../numeric/random';
import { SURFACES } from '../rides/rideLog';
import { logParts } from './logParts';

const RATE = 100;
const rmsOf = (values: Float64Array) => Math.sqrt(values.reduce((sum, v) => sum + v * v, 0) / values.length);

/** A force of known parts: corners, a slow part of its own, a rattle that is stronger on kerbs. */
function made(corner: number, own: number, rattle: number, rateHz = RATE) {
  const n = 60 * rateHz;
  const random = seededRandom(5);
  const t_s = Float64Array.from({ length: n }, (_, i) => i / rateHz);
  const ay_mps2 = t_s.map((t) => 6 * Math.sin(2 * Math.PI * 0.1 * t));
  const surface = t_s.map((t) => SURFACES.indexOf(t % 10 < 1 ? 'kerb' : 'road'));
  const fast = t_s.map(
    (t, i) => (surface[i] === 1 ? 3 : 1) * rattle * Math.sin(2 * Math.PI * 20 * t + random.normal() * 0.05),
  );
  const ffb = t_s.map((t, i) => -corner * ay_mps2[i]! + own * Math.sin(2 * Math.PI * 0.37 * t) + fast[i]!);
  return { notes: {}, columns: { t_s, ay_mps2, surface, ffb, speed_mps: new Float64Array(n).fill(20) } };
}

it('finds each part of a force that was put together', () => {
  const size = fc.double({ min: 0.01, max: 0.1, noNaN: true });
  fc.assert(
    fc.property(size, size, size, (corner, own, rattle) => {
      const log = made(corner, own, rattle);
      const parts = logParts(log)!;
      expect(parts.corners! / (corner * rmsOf(log.columns.ay_mps2))).toBeCloseTo(1, 1);
      expect(parts.slow! / (own / Math.SQRT2)).toBeCloseTo(1, 1);
      expect(parts.road! / (rattle / Math.SQRT2)).toBeCloseTo(1, 0);
      expect(parts.kerbs! / parts.road!).toBeCloseTo(3, 0);
      expect(parts).toMatchObject({ offTrack: null, missing: [] });
    }),
    { numRuns: 25 },
  );
});

it('says which channel would open what is not told', () => {
  const { t_s, ffb, ay_mps2, surface, speed_mps } = made(0.05, 0.01, 0.02).columns;
  const of = (columns: object) => logParts({ notes: {}, columns: { t_s, ...columns } });
  expect(of({ ay_mps2 })).toBeNull();
  expect(of({ ffb, surface, speed_mps })!).toMatchObject({
    corners: null,
    missing: [/Lateral/].map(() => expect.stringMatching(/^Lateral/) as string),
  });
  expect(of({ ffb, ay_mps2 })!).toMatchObject({
    kerbs: null,
    missing: [expect.stringMatching(/^What it drove on/) as string],
  });
  // Yaw rate and speed do as well.
  const yaw_radps = ay_mps2.map((a, i) => a / speed_mps[i]!);
  expect(of({ ffb, yaw_radps, speed_mps, surface })!.corners).toBeCloseTo(
    of({ ffb, ay_mps2, speed_mps, surface })!.corners!,
    9,
  );
});

it('a log that is too slow for effects says how fast it would have to be', () => {
  const parts = logParts(made(0.05, 0.01, 0, 10))!;
  expect(parts.road).toBeNull();
  expect(parts.corners).toBeGreaterThan(0.1);
  expect(parts.missing.join()).toMatch(/10 rows a second: effects need 32/);
});

it('eight rows a second are enough for corners, thirty-two for effects, and fewer say so', () => {
  const at = (rateHz: number) => logParts(made(0.05, 0.01, 0.02, rateHz))!;
  expect(at(8).corners).not.toBeNull();
  expect(at(7).corners).toBeNull();
  expect(at(7).missing.join(' ')).toMatch('The log has 7 rows a second: corners need 8.');
  expect(at(32).road).not.toBeNull();
  expect(at(31).road).toBeNull();
});
