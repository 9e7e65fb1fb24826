import type { Arguments } from './arguments';

/** What a command gives: the JSON for `--json`, and the same as a short table for people. */
interface Answer {
  json: unknown;
  table: string[][];
}

export interface Command {
  name: string;
  usage: string;
  options: readonly string[];
  /** Options that take no value, beside `json`. */
  flags?: readonly string[];
  run(args: Arguments): Answer;
}

/** A number for people: four significant digits, `–` where it cannot be known. */
export function shown(value: number | boolean | string | null | undefined): string {
  if (value === null || value === undefined) return '–';
  if (typeof value !== 'number') return String(value);
  return Number.isInteger(value) ? String(value) : String(Number(value.toPrecision(4)));
}
