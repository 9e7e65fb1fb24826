import fc from 'fast-check';
import { slopesOfParts, regressionThroughOrigin, type Pair } from './regressionThroughOrigin';

const x = fc.double({ min: 0.1, max: 10, noNaN: true });

it('finds the slope of what lies on a line, and the least squares of what does not', () => {
  fc.assert(
    fc.property(x, fc.array(x, { minLength: 6, maxLength: 40 }), (slope, xs) => {
      const pairs = xs.map((at): Pair => [at, slope * at]);
      expect(regressionThroughOrigin(pairs)).toBeCloseTo(slope, 9);
      for (const one of slopesOfParts(pairs, 3)) expect(one).toBeCloseTo(slope, 9);
    }),
  );
  const pairs: Pair[] = [
    [1, 1],
    [2, 0],
    [-1, 3],
  ];
  const sum = (k: number) => pairs.reduce((all, [at, y]) => all + (y - k * at) ** 2, 0);
  const best = regressionThroughOrigin(pairs);
  expect(sum(best)).toBeLessThan(Math.min(sum(best + 1e-3), sum(best - 1e-3)));
});

it('leaves the rest of a division out', () => {
  const pairs = Array.from({ length: 7 }, (_, i): Pair => [1, i < 3 ? 1 : i < 6 ? 2 : 99]);
  expect(slopesOfParts(pairs, 2)).toEqual([1, 2]);
});
