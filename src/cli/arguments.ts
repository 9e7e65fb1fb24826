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
  const parsed: Arguments = { positional: [], rest: [], options: new Map(), flags: new Set() };
  for (let i = 0; i < argv.length; i++) {
    const word = argv[i]!;
    if (word === '--') {
      parsed.rest = argv.slice(i + 1);
      break;
    }
    if (!word.startsWith('--')) {
      parsed.positional.push(word);
      continue;
    }
    const equals = word.indexOf('=');
    const name = word.slice(2, equals < 0 ? undefined : equals);
    if (flags.includes(name) && equals < 0) {
      parsed.flags.add(name);
    } else if (options.includes(name)) {
      const value = equals < 0 ? argv[++i] : word.slice(equals + 1);
      if (value === undefined) throw new UsageError(`--${name} needs a value`);
      parsed.options.set(name, value);
    } else {
      throw new UsageError(`unknown option --${name}${flags.includes(name) ? ' (it takes no value)' : ''}`);
    }
  }
  return parsed;
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
