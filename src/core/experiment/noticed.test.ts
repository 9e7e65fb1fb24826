import fc from 'fast-check';
import { seededRandom } from '../numeric/random';
import { noticedInPairs, noticedInSearch, surest } from './noticed';

const RANGE = 60;

/** Pairs of somebody who feels each ride with an error, and cannot say where the difference felt small. */
function answered(jnd: number, apart: readonly number[], seed: number) {
  const random = seededRandom(seed);
  return apart.flatMap((by) => {
    const felt = by + Math.SQRT2 * 1.048 * jnd * random.normal();
    return Math.abs(felt) < jnd / 4 ? [] : [{ apart: by, isRight: felt > 0 }];
  });
}

it('blind pairs leave what is noticed within their interval nine times in ten, or put it too low, never too high', () => {
  const drivers = 120;
  const random = seededRandom(5);
  let [over, covered] = [0, 0];
  for (let i = 0; i < drivers; i++) {
    const jnd = 6 * Math.exp(0.6 * random.normal());
    const told = noticedInPairs(answered(jnd, [3, 6, 12, 3, 6, 12, 3, 6, 12, 24, 6, 12], i), RANGE)!;
    if (jnd < told.low) over++;
    else if (jnd <= told.high) covered++;
  }
  // "You hardly notice less than the lower end" is what is said: it is wrong where it lies above.
  expect(over / drivers).toBeLessThan(0.05 + 2 * Math.sqrt((0.05 * 0.95) / drivers));
  expect(covered / drivers).toBeGreaterThan(0.8);
});

it('is in the scale of its title, and says nothing of fewer than six pairs', () => {
  const pairs = answered(6, [3, 6, 12, 3, 6, 12, 6, 6, 12, 12], 3);
  fc.assert(
    fc.property(fc.double({ min: 0.01, max: 1000, noNaN: true }), (times) => {
      const told = noticedInPairs(pairs, RANGE)!;
      const scaled = noticedInPairs(
        pairs.map(({ apart, isRight }) => ({ apart: times * apart, isRight })),
        times * RANGE,
      )!;
      expect(scaled.value / told.value).toBeCloseTo(times, 6);
      expect(scaled.low / scaled.high).toBeCloseTo(told.low / told.high, 9);
    }),
  );
  expect(noticedInPairs(pairs.slice(0, 5), RANGE)).toBeNull();
});

it('what leaves less open is taken', () => {
  const search = noticedInSearch(4);
  expect(search).toEqual({ value: 4, low: 1.8, high: 8, from: 'search' });
  const pairs = { value: 5, low: 4, high: 6.25, from: 'pairs' as const };
  expect(surest([search, pairs, null])).toBe(pairs);
  expect(surest([null, search])).toBe(search);
  expect(surest([null])).toBeNull();
});
