import fc from 'fast-check';
import { keySchema } from '../text/key';
import { idSchema, line, oneLine, quoted } from '../text/line';
import { plainJson } from '../text/plainJson';
import { anyText } from '../testing/anyRecording';
import { settingValuesSchema, settingValueSchema } from './setting';

it('a line is one line, the same when it is read again, and one that a database and a file can hold', () => {
  fc.assert(
    fc.property(anyText(60), (text) => {
      const once = line(200).parse(text);
      expect(line(200).parse(once)).toBe(once);
      expect(once).toBe(once.trim());
      expect(once).not.toMatch(/[\n\r\0\u2028]/);
      expect(Buffer.from(once, 'utf8').toString('utf8')).toBe(once);
      expect(quoted(text).length).toBeLessThan(45);
      expect(oneLine(quoted(text))).toBe(quoted(text));
    }),
  );
  expect(line(3).safeParse('four').success).toBe(false);
});

it('no key and no id is one that means something to every object, or that no file could be named after', () => {
  for (const name of ['constructor', 'toString', '__proto__', 'valueOf', 'a b', '', '1a', 'x'.repeat(61)])
    expect([name, keySchema.safeParse(name).success]).toEqual([name, false]);
  for (const name of ['../up', 'a/b', '.hidden', 'ü', 'a\nb', '', 'x'.repeat(81)])
    expect([name, idSchema.safeParse(name).success]).toEqual([name, false]);
  for (const name of ['minForce', 'self-alignment', 'a1']) expect(keySchema.parse(name)).toBe(name);
});

it('values are numbers that a menu could write, or points of a curve, under the names of settings', () => {
  for (const value of [NaN, Infinity, 1e7, '5', [[0, 2]], [[0]], {}])
    expect(settingValueSchema.safeParse(value).success).toBe(false);
  expect(settingValuesSchema.safeParse({ 'title/brake/deadzone': 4 }).success).toBe(true);
  for (const key of [
    'deadzone',
    'title/brake',
    'title/nose/deadzone',
    'roof/brake/deadzone',
    'title/brake/valueOf',
  ])
    expect([key, settingValuesSchema.safeParse({ [key]: 4 }).success]).toEqual([key, false]);
});

it('what only its own reader knows is plain, and not without end', () => {
  const deep = (n: number): unknown => (n === 0 ? 1 : [deep(n - 1)]);
  expect(plainJson.safeParse({ at: 1, peaks: [0.5], remark: { kind: 'none' }, lastT: null }).success).toBe(
    true,
  );
  for (const odd of [
    deep(40),
    'x'.repeat(5000),
    'a\0b',
    NaN,
    { a: () => 1 },
    Array.from({ length: 30_000 }, () => 1),
  ])
    expect(plainJson.safeParse(odd).success).toBe(false);
});
