import fc from 'fast-check';
import { numberOption, parseArguments, positiveOption, UsageError, wholeNumber } from './arguments';

const parse = (...argv: string[]) => parseArguments(argv, ['at', 'base'], ['json', 'stretch']);

it('takes a value beside or behind its name, and whatever a value begins with', () => {
  const value = fc.string({ minLength: 1 }).filter((text) => text !== '--');
  fc.assert(
    fc.property(value, (text) => {
      expect(parse(`--at=${text}`).options.get('at')).toBe(text);
      expect(parse('--at', text).options.get('at')).toBe(text);
    }),
  );
  expect(parse('--at', '-90', '--json').options.get('at')).toBe('-90');
});

it('keeps what stands before and behind the double dash apart', () => {
  expect(parse('a', '--stretch', 'b', '--', 'c', '--json')).toMatchObject({
    positional: ['a', 'b'],
    rest: ['c', '--json'],
    flags: new Set(['stretch']),
  });
});

it.each([
  [['--speed', '3'], 'unknown option --speed'],
  [['--at'], '--at needs a value'],
  [['--json=yes'], 'unknown option --json (it takes no value)'],
  [['-x'], 'unknown option -x'],
])('refuses %j in words', (argv, message) => {
  expect(() => parse(...argv)).toThrow(new UsageError(message));
});

it('reads numbers within their bounds, and nothing where none is given', () => {
  expect(numberOption(parse('--at=-7.5'), 'at')).toBe(-7.5);
  expect(numberOption(parse(), 'at')).toBeNull();
  expect(wholeNumber(parse(), 'at', 3, 1, 9)).toBe(3);
  for (const text of ['', ' ', 'x', '1e7', 'NaN', 'Infinity'])
    expect(() => numberOption(parse(`--at=${text}`), 'at')).toThrow(/takes a number/);
  for (const text of ['0', '10', '2.5'])
    expect(() => wholeNumber(parse(`--at=${text}`), 'at', 3, 1, 9)).toThrow(/whole number from 1 to 9/);
  expect(() => positiveOption(parse('--at=0'), 'at')).toThrow(/above 0/);
  expect(() => positiveOption(parse('--at=5'), 'at', 1, 4)).toThrow(/takes 1 to 4/);
});
