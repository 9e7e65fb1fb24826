import fc from 'fast-check';
import Papa from 'papaparse';
import { duplicateJsonKey } from './duplicateJsonKey';
import { wholeRows } from './wholeRows';

const cell = fc.oneof(
  fc.constantFrom('', '1', '-0.5', 'a,b', 'say "so"', 'two\nlines', ' '),
  fc.string({ maxLength: 6 }).filter((text) => !text.includes('\r')),
);
const anyRows = fc.array(fc.array(cell, { minLength: 2, maxLength: 4 }), { minLength: 1, maxLength: 8 });

it('rows come as they were written, whatever stands in quotes, with either line end', () => {
  fc.assert(
    fc.property(anyRows, fc.constantFrom('\n', '\r\n'), fc.nat(3), (rows, newline, ends) => {
      const text = Papa.unparse(rows, { newline, quotes: true }) + newline.repeat(ends);
      expect([...wholeRows(text)]).toEqual(rows);
    }),
  );
});

it('a file that is longer than what is read at once is cut between rows, never inside of quotes', () => {
  const rows = Array.from({ length: 30_000 }, (_, i) => [String(i), `"${i}",\n${'x'.repeat(i % 90)}`, 'end']);
  const text = Papa.unparse(rows, { newline: '\n' });
  expect(text.length).toBeGreaterThan(2 ** 20);
  expect([...wholeRows(text)]).toEqual(rows);
});

it('a place to begin at is no part of the rows; an empty line in the middle is one', () => {
  expect([...wholeRows('# note\na,b\n\n1,2\n\n\n', 7)]).toEqual([['a', 'b'], [''], ['1', '2']]);
  expect([...wholeRows('')]).toEqual([]);
});

it('a key that stands twice in one object is found, and no other', () => {
  const noTwins = fc.jsonValue({ maxDepth: 5 });
  fc.assert(
    fc.property(noTwins, fc.constantFrom(0, 2), (value, space) => {
      expect(duplicateJsonKey(JSON.stringify(value, null, space))).toBeNull();
    }),
  );
  expect(duplicateJsonKey('{"a":{"b":1},\n"c":[{"b":1,\n"b" :2}]}')).toEqual({ key: 'b', row: 3 });
  // The same key as it can be written in two ways; a text is no key, and neither is what stands in one.
  expect(duplicateJsonKey('{"a":1,"\\u0061":2}')).toEqual({ key: 'a', row: 1 });
  expect(duplicateJsonKey('{"a":"b","c":["a","a"],"b":"{\\"a\\":1,\\"a\\":2}"}')).toBeNull();
});
