import { START_FIELD } from '@/core/testing/startField';
import { filesForTests, pebble } from './testing/pebble';

const { file } = filesForTests();

describe('translate', () => {
  const dialect = (name: string, fields: object[]) => ({
    format: 'pebble-road/dialect',
    version: 1,
    name,
    axis: 'brake',
    fields,
  });
  const amount = (key: string, more: object = {}) => ({ ...START_FIELD, key, label: key, ...more });
  const source = dialect('Made-up title', [amount('dz')]);
  const settings = (more: object = {}) => ({
    format: 'pebble-road/settings',
    version: 1,
    dialect: source,
    values: { dz: 5 },
    ...more,
  });
  const target = dialect('Plain', [
    amount('start', { max: 1, step: 0.01, maps: { kind: 'deadzone-amount', full: 1 } }),
  ]);
  const run = (from: object, to: object) =>
    pebble(
      'translate',
      file('s.json', JSON.stringify(from)),
      '--to',
      file('d.json', JSON.stringify(to)),
      '--json',
    );

  it('writes the settings in the other dialect', () => {
    expect(run(settings(), target).json()).toEqual({
      values: { start: 0.05 },
      maxError: 0,
      atTravel: 0,
      notExpressible: [],
    });
  });

  it.each([
    [
      'an unknown value',
      settings({ values: { dz: 5, more: 1 } }),
      target,
      /"values\.more": The key "more" is not known/,
    ],
    ['a missing value', settings({ values: {} }), target, /"values\.dz": The value of "dz" is missing/],
    ['a value out of range', settings({ values: { dz: 101 } }), target, /dz 101 is outside/],
    ['a newer version', { ...settings(), version: 2 }, target, /version 2/],
    [
      'a key twice',
      settings(),
      dialect('T', [amount('a'), amount('a', { maps: { kind: 'gamma-direct' } })]),
      /stands twice/,
    ],
    [
      'a parameter mapped twice',
      settings(),
      dialect('T', [amount('a'), amount('b')]),
      /"a" and "b" both set the deadzone/,
    ],
    [
      'a step that does not divide',
      settings(),
      dialect('T', [amount('a', { step: 7 })]),
      /does not divide 0 to 100/,
    ],
    ['an unknown map', settings(), dialect('T', [amount('a', { maps: { kind: 'magic' } })]), /d\.json/],
  ])('refuses %s by name', (_, from, to, message) => {
    const { code, err } = run(from, to);
    expect(code).toBe(1);
    expect(err).toMatch(message);
  });
});
