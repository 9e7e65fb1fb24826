import fc from 'fast-check';
import { solveSymmetric } from './solveSymmetric';

const entry = fc.double({ min: -1, max: 1, noNaN: true });

it('gives back what it was made of, also where the unknowns differ by many orders', () => {
  const size = fc.integer({ min: 1, max: 6 });
  fc.assert(
    fc.property(
      size.chain((n) =>
        fc.record({
          roots: fc.array(entry, { minLength: n * n, maxLength: n * n }),
          x: fc.array(entry, { minLength: n, maxLength: n }),
          scales: fc.array(fc.integer({ min: -6, max: 6 }), { minLength: n, maxLength: n }),
        }),
      ),
      ({ roots, x, scales }) => {
        const n = x.length;
        const by = (i: number) => 10 ** scales[i]!;
        // RᵀR + 1 is symmetric and positive definite, whatever R is.
        const a = Float64Array.from({ length: n * n }, (_, k) => {
          const [i, j] = [Math.floor(k / n), k % n];
          let sum = i === j ? 1 : 0;
          for (let row = 0; row < n; row++) sum += roots[row * n + i]! * roots[row * n + j]!;
          return sum * by(i) * by(j);
        });
        const b = Float64Array.from({ length: n }, (_, i) =>
          x.reduce((sum, value, j) => sum + (a[i * n + j]! * value) / by(j), 0),
        );
        const found = solveSymmetric(a, b)!;
        x.forEach((value, i) => expect(found[i]! * by(i)).toBeCloseTo(value, 8));
      },
    ),
  );
});

it('what cannot be told apart has no answer', () => {
  expect(solveSymmetric([1, 1, 1, 1], [1, 1])).toBeNull();
  expect(solveSymmetric([0, 0, 0, 1], [1, 1])).toBeNull();
});
