import { startedOf } from './startedOf';

const NOW = Date.parse('2026-03-01T12:00:00Z');
const of = (head: string, name = 'a.csv', modified: number | null = null, durationS = 600) =>
  startedOf(head, name, modified, durationS, NOW);
const iso = (text: string, from: string) => ({ atMs: Date.parse(text), from });

it('says it above its rows, in the ways that leave no choice', () => {
  const rows = 't,v\n0,1\n0.1,2\n';
  expect(of(`# started: 2026-01-05T19:03:00Z\n${rows}`)).toEqual(iso('2026-01-05T19:03:00Z', 'inside'));
  expect(of(`Date;2026-01-05 19:03\n${rows}`)).toEqual(iso('2026-01-05T19:03:00', 'inside'));
  expect(of(`Datum: 05.01.2026 19:03:20\n${rows}`)).toEqual(iso('2026-01-05T19:03:20', 'inside'));
  expect(of(`Date 2026-01-05T19:03:00+0200\n${rows}`)).toEqual(iso('2026-01-05T17:03:00Z', 'inside'));
  // The fifth of January, or the first of May: nobody knows.
  expect(of(`Date 05/01/2026 19:03\n${rows}`)).toBeNull();
});

it('else its name, else its file’s time less its length', () => {
  expect(of('t,v\n0,1', 'ring_2026-01-05_19-03.csv')).toEqual(iso('2026-01-05T19:03:00', 'name'));
  expect(of('t,v\n0,1', 'ring.csv', Date.parse('2026-01-05T19:13:00Z'))).toEqual(
    iso('2026-01-05T19:03:00Z', 'file'),
  );
  expect(of('# started: 2026-01-05T19:03:00Z\nt,v\n0,1', 'ring_2025-01-01_10-00.csv', 5)!.from).toBe(
    'inside',
  );
});

it('a moment to come, a day that is none, numbers in rows: not taken', () => {
  expect(of('# started: 2027-01-05T19:03:00Z\nt,v\n0,1')).toBeNull();
  expect(of('# started: 2026-13-45T19:03:00Z\nt,v\n0,1')).toBeNull();
  expect(of('t,v\n2026.01,05\n0,2026-01-05T19:03')).toBeNull();
});
