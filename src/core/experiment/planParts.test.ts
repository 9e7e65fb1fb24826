import { isShortHere, isWithin, lapsPerRide, rangeSchema } from './planParts';

const range = (min: number, max: number, step: number) =>
  rangeSchema.safeParse({ key: 'title/brake/deadzone', min, max, step }).success;

it('a range holds a step or more, wherever it lies', () => {
  expect(range(5, 6, 1)).toBe(true);
  expect(range(5, 5.5, 1)).toBe(false);
  expect(range(-6, -5, 1)).toBe(true);
  expect(range(6, 5, 1)).toBe(false);
  expect(range(0, 1, 0)).toBe(false);
});

it('a value lies in it up to both ends, whatever its last digits were rounded to', () => {
  const of = { key: 'k', min: 0.1, max: 0.3, step: 0.1 };
  expect([0.1, 0.1 + 0.2, 0.3, 0.1 - 1e-12].every((value) => isWithin(of, value))).toBe(true);
  expect([0.09, 0.31].some((value) => isWithin(of, value))).toBe(false);
});

it('short rides are driven here, and a ride has one lap at least', () => {
  expect(isShortHere({ way: 'here', stretch: 'bend' })).toBe(true);
  expect(isShortHere({ way: 'title', stretch: 'bend' })).toBe(false);
  expect(isShortHere({ way: 'title', stretch: null })).toBe(true);
  expect([0, 1, 1.5].map((laps) => lapsPerRide.safeParse(laps).success)).toEqual([false, true, false]);
});
