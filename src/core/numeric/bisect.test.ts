import fc from 'fast-check';
import { bisect } from './bisect';

it('finds what looking at every one finds, and asks few of them', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 50 }), { maxLength: 200 }),
      fc.integer(),
      (some, wanted) => {
        const sorted = some.sort((a, b) => a - b);
        let asked = 0;
        const found = bisect(-1, sorted.length, (i) => ++asked > 0 && sorted[i]! >= wanted);
        const one = sorted.findIndex((value) => value >= wanted);
        expect(found).toBe(one < 0 ? sorted.length : one);
        expect(asked).toBeLessThanOrEqual(Math.ceil(Math.log2(sorted.length + 1)) + 1);
      },
    ),
  );
});

it('does as its example says, and asks nothing where nothing lies between', () => {
  expect(bisect(-1, 4, (i) => [1, 3, 5, 7][i]! >= 4)).toBe(2);
  const never = () => {
    throw new Error('asked');
  };
  expect(bisect(3, 4, never)).toBe(4);
});
