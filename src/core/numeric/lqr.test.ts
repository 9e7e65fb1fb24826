import fc from 'fast-check';
import { discretised, lqr, times, transposed } from './lqr';
import { tries } from '../testing/longRun';

it('is the closed form for one state: the root of the scalar Riccati equation', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -3, max: 3, noNaN: true }),
      fc.double({ min: 0.1, max: 3, noNaN: true }),
      fc.double({ min: 0.01, max: 100, noNaN: true }),
      fc.double({ min: 0.01, max: 100, noNaN: true }),
      (a, b, q, r) => {
        // b²p² + (r − a²r − b²q)p − qr = 0, its positive root.
        const half = (r - a * a * r - b * b * q) / 2;
        const root = Math.sqrt(half * half + b * b * q * r);
        const p = half > 0 ? (q * r) / (half + root) : (root - half) / (b * b);
        const gain = (a * b * p) / (r + b * b * p);
        expect(lqr([[a]], [[b]], [q], [r])[0]![0]).toBeCloseTo(gain, 6);
      },
    ),
  );
});

it('steadies what runs away by itself: closed, both of its roots lie inside the unit circle', () => {
  const rate = fc.double({ min: -4, max: 4, noNaN: true });
  fc.assert(
    fc.property(rate, rate, fc.double({ min: 0.5, max: 5, noNaN: true }), (spring, damper, push) => {
      const open = [
        [0, 1],
        [spring, damper],
      ];
      const { a, b } = discretised(open, [[0], [push]], 0.01);
      const fed = times(b, lqr(a, b, [1, 1], [1]));
      const [[p, q], [r, s]] = a.map((row, i) => row.map((value, j) => value - fed[i]![j]!)) as [
        [number, number],
        [number, number],
      ];
      // Jury's conditions for two roots.
      const det = p * s - q * r;
      expect(Math.abs(det)).toBeLessThan(1);
      expect(Math.abs(p + s)).toBeLessThan(1 + det);
    }),
    { numRuns: tries(20, 60) },
  );
});

it('makes of a mass that is pushed exactly what a held push does to it', () => {
  const { a, b } = discretised(
    [
      [0, 1],
      [0, 0],
    ],
    [[0], [2]],
    0.3,
  );
  expect(a).toEqual([
    [1, 0.3],
    [0, 1],
  ]);
  expect(b[0]![0]).toBeCloseTo(0.3 ** 2, 12);
  expect(b[1]![0]).toBeCloseTo(0.6, 12);
});

it('keeps an exponential’s own law: a step and as much again are one of twice the length', () => {
  const system = [
    [0, 1],
    [-9, -0.4],
  ];
  const one = discretised(system, [[0], [1]], 0.05).a;
  const two = discretised(system, [[0], [1]], 0.1).a;
  times(one, one)
    .flat()
    .forEach((value, i) => expect(value).toBeCloseTo(two.flat()[i]!, 12));
  expect(
    transposed([
      [1, 2],
      [3, 4],
    ]),
  ).toEqual([
    [1, 3],
    [2, 4],
  ]);
});
