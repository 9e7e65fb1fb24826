import { ridesCompared } from './ridesCompared';

const HOUR = 3600 * 1000;
const ride = (id: string, atMs: number, dead: number, road = 'saltmarsh-loop') => ({
  id,
  atMs,
  road: { kind: 'described', id: road } as const,
  settings: { 'title/brake/dead': dead },
});
const said = (rides: ReturnType<typeof ridesCompared>) =>
  rides.map(({ side, ride: { id } }) => `${side}:${id}`).join(' ');

it('counts in what was driven the same evening, on the same road, with just those settings', () => {
  const [a, b] = [ride('a', 0, 0), ride('b', 1, 4)];
  const others = [
    a,
    b,
    ride('again-b', 2, 4),
    ride('again-a', 3, 0),
    ride('third', 4, 7),
    ride('elsewhere', 5, 0, 'quarry-pan'),
    ride('next-day', 30 * HOUR, 0),
  ];
  expect(said(ridesCompared(a, b, others))).toBe('A:a B:b B:again-b A:again-a');
});

it('compares only the two where nothing was changed between them', () => {
  const [a, b] = [ride('a', 0, 0), ride('b', 1, 0)];
  expect(said(ridesCompared(a, b, [ride('c', 2, 0)]))).toBe('A:a B:b');
});

it('puts them in order of driving, whichever is marked A', () => {
  expect(said(ridesCompared(ride('a', 5, 0), ride('b', 1, 4), []))).toBe('B:b A:a');
});
