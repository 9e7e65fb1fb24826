import fc from 'fast-check';
import { contentKey, memoize } from './memoize';

it('answers as the function itself does, whatever is asked in whichever order', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 9 })), fc.integer({ min: 1, max: 4 }), (asked, most) => {
      const square = memoize((n: number) => [n * n], String, most);
      for (const n of asked) expect(square(n)).toEqual([n * n]);
    }),
  );
});

it('works out again only what was asked for longest ago', () => {
  const worked: number[] = [];
  const same = memoize((n: number) => (worked.push(n), n), String, 2);
  for (const n of [1, 2, 1, 3, 1, 2]) same(n);
  expect(worked).toEqual([1, 2, 3, 2]);
});

it('a function that throws is asked anew', () => {
  let fails = true;
  const once = memoize(
    () => {
      if (fails) throw new Error('not yet');
      return 1;
    },
    () => '',
    1,
  );
  expect(once).toThrow('not yet');
  fails = false;
  expect(once()).toBe(1);
});

it('a key tells apart what JSON does not', () => {
  const odd = [NaN, Infinity, -Infinity, null, 0];
  expect(new Set(odd.map((value) => contentKey({ value }))).size).toBe(odd.length);
});
