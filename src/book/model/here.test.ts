import fc from 'fast-check';
import { combinationOf, hereText } from './here';

const HERE = {
  rigId: 'tern',
  titleId: 'causeway',
  carId: 'marl-850',
  driver: 'Late “shift”',
  branch: 'wet ½',
};

it('a combination comes back out of its cookie, and nothing more than it goes in', () => {
  expect(combinationOf(hereText(HERE))).toEqual(HERE);
  const more = { ...HERE, openedAtMs: 7 };
  expect(hereText(more)).toBe(hereText(HERE));
  // As a browser sends it.
  expect(decodeURIComponent(encodeURIComponent(hereText(HERE)))).toBe(hereText(HERE));
});

it('whatever else a cookie holds is nobody’s place, and throws nothing', () => {
  expect(combinationOf(undefined)).toBeNull();
  fc.assert(fc.property(fc.oneof(fc.string(), fc.json()), (text) => expect(combinationOf(text)).toBeNull()));
  const without = Object.keys(HERE).map((key) => JSON.stringify({ ...HERE, [key]: undefined }));
  for (const text of [
    ...without,
    JSON.stringify({ ...HERE, more: 1 }),
    JSON.stringify({ ...HERE, rigId: 7 }),
  ])
    expect(combinationOf(text)).toBeNull();
});
