import type { Outcome } from '@/core/problem';
import { UsageError, type Arguments } from './arguments';
import { InputError, orRefuse, readText } from './files';

export function needed(args: Arguments, name: string, by: string): string {
  const value = args.options.get(name);
  if (value === undefined) throw new UsageError(`${by} needs --${name}`);
  return value;
}

/** An id or name from the catalogue, or a file. */
export function named<T extends { id: string; name: string }>(
  args: Arguments,
  option: string,
  known: readonly T[],
  read: (text: string) => Outcome<T>,
  by: string,
): T {
  const wanted = needed(args, option, by);
  const found = known.find((entry) => entry.id === wanted || entry.name === wanted);
  if (found) return found;
  if (wanted.endsWith('.json')) return orRefuse(wanted, read(readText(wanted)));
  throw new InputError(wanted, [
    {
      code: `unknown-${option}`,
      message: `There is no ${option} of this name.`,
      place: {},
      remedy: `Known are: ${known.map((entry) => entry.id).join(', ')}; or name a .${option}.json file.`,
    },
  ]);
}
