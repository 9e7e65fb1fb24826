import fc from 'fast-check';
import { localQuadratic } from './localQuadratic';
import { quantile, runningMedian } from './order';
import { seededRandom } from './random';
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

describe('a parabola through the samples around each', () => {
  const near = { width: 0.05, least: 7, widest: 0.5 };

  it('leaves a parabola as it is, with its slope, however unevenly it was sampled', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.001, max: 0.06, noNaN: true }), { minLength: 8, maxLength: 60 }),
        (gaps) => {
          let now = 0;
          const t = Float64Array.from(gaps, (gap) => (now += gap));
          const fit = localQuadratic(
            t,
            t.map((x) => 3 - 2 * x + 5 * x * x),
            near,
          );
          for (let i = 3; i < t.length - 3; i++) {
            expect(fit.value[i]).toBeCloseTo(3 - 2 * t[i]! + 5 * t[i]! ** 2, 8);
            expect(fit.slope[i]).toBeCloseTo(10 * t[i]! - 2, 5);
          }
        },
      ),
    );
  });

  it('evenly spaced it weighs as Savitzky and Golay’s table of seven: −2 3 6 7 6 3 −2 over 21', () => {
    const t = Float64Array.from({ length: 13 }, (_, i) => i);
    const spike = Float64Array.from({ length: 13 }, (_, i) => (i === 6 ? 21 : 0));
    const { value } = localQuadratic(t, spike, { ...near, widest: 6 });
    [-2, 3, 6, 7, 6, 3, -2].forEach((weight, k) => expect(value[3 + k]).toBeCloseTo(weight, 9));
    expect([value[2], value[10]]).toEqual([NaN, NaN]);
  });

  it('fits nothing across a gap that is wider than it may reach', () => {
    const t = Float64Array.from({ length: 20 }, (_, i) => 0.01 * i + (i >= 10 ? 1 : 0));
    const { value } = localQuadratic(t, t, near);
    expect([...value].map((v, i) => (Number.isNaN(v) ? i : -1)).filter((i) => i >= 0)).toEqual([
      0, 1, 2, 7, 8, 9, 10, 11, 12, 17, 18, 19,
    ]);
  });
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
