import { markOf } from './markOf';

const ride = (dead: number, id = 'saltmarsh-loop') => ({
  road: { kind: 'described', id } as const,
  settings: { 'title/brake/deadzone': dead },
});
const [a, b] = [
  { ...ride(0), mark: 'A' as const },
  { ...ride(4), mark: 'B' as const },
];

it('the first ride of a road is A, the next one B, whatever it was driven with', () => {
  expect(markOf(ride(0), [])).toBe('A');
  expect(markOf(ride(0), [a])).toBe('B');
  expect(markOf(ride(4), [a, b])).toBe('B');
  expect(markOf(ride(7), [a, b])).toBe('B');
  expect(markOf(ride(0, 'quarry-pan'), [a, b])).toBe('A');
});

it('with A’s settings again it joins A, and the pair stays', () => {
  expect(markOf(ride(0), [a, b])).toBeNull();
  // Nothing differed between the two: then the newest is compared.
  expect(markOf(ride(0), [a, { ...ride(0), mark: 'B' }])).toBe('B');
});
