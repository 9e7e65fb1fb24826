import { z } from 'zod';
import { describeProblem, fail, succeed } from '../problem';
import { jsonFormat } from './jsonFormat';

/** Version 1 wrote grams, version 2 had no name, version 3 is today's. */
const lever = jsonFormat({
  name: 'lever',
  schema: z.strictObject({ kg: z.number().positive(), name: z.string() }),
  upgrades: [
    ({ g, ...rest }) => ({ kg: Number(g) / 1000, ...rest }),
    (body) => ({ name: 'no name', ...body }),
  ],
  sound: (found) =>
    found.name === 'crooked'
      ? fail({ code: 'crooked', message: 'It is crooked.', place: {}, remedy: 'Straighten it.' })
      : succeed(found),
});
const read = (body: object) => lever.read(JSON.stringify({ format: 'pebble-road/lever', ...body }));
const said = (body: object) => {
  const found = read(body);
  return found.ok ? found.value : found.problems.map(describeProblem).join(' ');
};

it('every earlier version is read as the newest, and the newest is written', () => {
  expect(lever.version).toBe(3);
  const today = { kg: 0.25, name: 'no name' };
  expect(said({ version: 1, g: 250 })).toEqual(today);
  expect(said({ version: 2, kg: 0.25 })).toEqual(today);
  expect(said({ version: 3, ...today })).toEqual(today);
  expect(JSON.parse(lever.write(today))).toEqual({ format: 'pebble-road/lever', version: 3, ...today });
});

it('a step is taken once: what an earlier version knew is no key of a later one', () => {
  expect(said({ version: 3, kg: 1, name: 'x', g: 250 })).toMatch(/The key "g" is not known here/);
  expect(said({ version: 3, kg: 1 })).toMatch(/`name` is missing/);
});

it.each([
  [undefined, /`version` is missing.*from 1 to 3/],
  [4, /has version 4; this program reads up to 3/],
  [0, /no such version/],
  [1.5, /no such version/],
  ['1', /no such version/],
  [null, /no such version/],
])('version %p is refused in words', (version, words) => {
  expect(said({ version, kg: 1, name: 'x' })).toMatch(words);
});

it('what only its parts together tell is refused as well', () => {
  expect(said({ version: 3, kg: 1, name: 'crooked' })).toMatch(/It is crooked/);
});

it.each(['null', '[]', '"pebble-road/lever"', '7', '{"format":7}', '{"version":3}'])(
  '%s does not say what it is',
  (text) => {
    const found = lever.read(text);
    expect(found.ok || found.problems[0]!.code).toBe('wrong-format');
  },
);
