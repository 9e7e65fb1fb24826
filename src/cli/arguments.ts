import { parseArgs } from 'node:util';

/** Wrong usage of the command line: exit code 2. */
export class UsageError extends Error {}

export interface Arguments {
  /** What is not an option, up to `--`, and after it. */
  positional: string[];
  rest: string[];
  options: Map<string, string>;
  flags: Set<string>;
}

/** Splits arguments; `--key value` and `--key=value` are the same, flags take no value, unknown names are refused. */
export function parseArguments(
  argv: string[],
  options: readonly string[],
  flags: readonly string[],
): Arguments {
  const kinds = [
    ...options.map((name) => [name, { type: 'string' }] as const),
    ...flags.map((name) => [name, { type: 'boolean' }] as const),
  ];
  // Not strict: a value may begin with a dash (an angle to the right), and what is refused is said in our own words.
  const { tokens } = parseArgs({
    args: argv,
    options: Object.fromEntries(kinds),
    allowPositionals: true,
    strict: false,
    tokens: true,
  });
  const parsed: Arguments = { positional: [], rest: [], options: new Map(), flags: new Set() };
  let isOver = false;
  for (const token of tokens) {
    if (token.kind === 'option-terminator') isOver = true;
    else if (token.kind === 'positional') (isOver ? parsed.rest : parsed.positional).push(token.value);
    else if (flags.includes(token.name) && token.value === undefined) parsed.flags.add(token.name);
    else if (options.includes(token.name) && token.value !== undefined)
      parsed.options.set(token.name, token.value);
    else throw new UsageError(refusal(token.rawName, options, flags));
  }
  return parsed;
}

function refusal(given: string, options: readonly string[], flags: readonly string[]): string {
  const name = given.replace(/^--/, '');
  if (options.includes(name)) return `${given} needs a value`;
  return `unknown option ${given}${flags.includes(name) ? ' (it takes no value)' : ''}`;
}

export function wholeNumber(
  args: Arguments,
  name: string,
  fallback: number,
  min: number,
  max: number,
): number {
  const text = args.options.get(name);
  if (text === undefined) return fallback;
  const value = Number(text);
  if (!Number.isInteger(value) || value < min || value > max)
    throw new UsageError(`--${name} takes a whole number from ${min} to ${max}, not "${text}"`);
  return value;
}

/** Nothing that is asked here is larger or smaller: degrees, metres, metres a second, gains. */
const LARGEST = 1e6;
const SMALLEST = 1e-6;

/** A number, or `null` where the option is not given. */
export function numberOption(args: Arguments, name: string): number | null {
  const text = args.options.get(name);
  if (text === undefined) return null;
  const value = Number(text);
  if (text.trim() === '' || !(Math.abs(value) <= LARGEST))
    throw new UsageError(`--${name} takes a number up to ${LARGEST}, not "${text}"`);
  return value;
}

/** A number above 0, or `null` where the option is not given. */
export function positiveOption(
  args: Arguments,
  name: string,
  least = SMALLEST,
  most = LARGEST,
): number | null {
  const value = numberOption(args, name);
  if (value !== null && !(value > 0)) throw new UsageError(`--${name} takes a number above 0, not ${value}`);
  if (value !== null && (value < least || value > most))
    throw new UsageError(`--${name} takes ${least} to ${most}, not ${value}`);
  return value;
}

/** So many numbers between commas, or `null` where the option is not given. */
export function numbersOption(args: Arguments, name: string, count: number): number[] | null {
  const text = args.options.get(name);
  if (text === undefined) return null;
  const numbers = text.split(',').map((part) => (part.trim() === '' ? NaN : Number(part)));
  if (numbers.length !== count || !numbers.every((value) => Math.abs(value) <= LARGEST))
    throw new UsageError(`--${name} takes ${count} numbers between commas, not "${text}"`);
  return numbers;
}
