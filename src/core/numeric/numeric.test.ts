import fc from 'fast-check';
import { quantile, runningMedian } from './order';
import { seededRandom } from './random';
import { smoothQuadratic } from './savitzkyGolay';
import { mannKendallZ, theilSenSlope } from './trend';

const finite = fc.double({ min: -1e6, max: 1e6, noNaN: true });

it('running median equals the sorted middle of each window', () => {
  fc.assert(
    fc.property(fc.array(finite, { minLength: 1, maxLength: 60 }), (values) => {
      const out = runningMedian(values, 7);
      values.forEach((_, i) => {
        const window = values.slice(Math.max(0, i - 3), i + 4);
        expect(out[i]).toBeCloseTo(quantile(window, 0.5), 6);
      });
    }),
  );
});

it('quadratic smoothing leaves a parabola as it is', () => {
  const parabola = Float64Array.from({ length: 60 }, (_, i) => 3 - 2 * i + 0.5 * i * i);
  smoothQuadratic(parabola, 9).forEach((v, i) => expect(v).toBeCloseTo(parabola[i]!, 8));
});

it('Theil–Sen finds a slope through a third of wild points, Mann–Kendall its sign', () => {
  const x = Array.from({ length: 15 }, (_, i) => i);
  const y = x.map((v, i) => (i % 3 === 0 ? 1000 * (i % 2) : 2 * v + 1));
  expect(theilSenSlope(x, y)).toBeGreaterThan(0);
  expect(
    theilSenSlope(
      x,
      x.map((v) => 2 * v),
    ),
  ).toBe(2);
  // All 66 pairs of 12 rise: (66 − 1)/√(12·11·29/18).
  expect(mannKendallZ(Array.from({ length: 12 }, (_, i) => i))).toBeCloseTo(
    65 / Math.sqrt((12 * 11 * 29) / 18),
    10,
  );
  expect(mannKendallZ([4, 4, 4, 4])).toBe(0);
});

it('the same seed gives the same bits, other seeds others, normals have unit spread', () => {
  const draw = (seed: number) => Array.from({ length: 8 }, seededRandom(seed).uniform);
  expect(draw(3)).toEqual(draw(3));
  expect(draw(3)).not.toEqual(draw(4));
  const random = seededRandom(1);
  const normals = Array.from({ length: 20000 }, () => random.normal());
  const variance = normals.reduce((s, v) => s + v * v, 0) / normals.length;
  expect(variance).toBeCloseTo(1, 1);
});
