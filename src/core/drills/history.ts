import { studentQuantile } from '../numeric/distributions';
import { mean, standardDeviation } from '../numeric/moments';

/** Fewer attempts before it tell nothing of the next one. */
export const LEAST_BEFORE = 5;
/** Of ten attempts by the same driver nine lie within. */
export const WITHIN = 0.9;
/** So many of the last are looked at: who gets better is measured against who they are now. */
const LOOKED_AT = 20;

/** Where the next attempt lies if nothing changed. */
export interface Expected {
  /** Attempts that it is read from. */
  n: number;
  mean: number;
  sd: number;
  low: number;
  high: number;
}

/**
 * Prediction interval of one more value, mean ± t·s·√(1 + 1/n); `null` from fewer than {@link LEAST_BEFORE}.
 * @param before earlier values, the newest last
 */
export function expectedNext(before: readonly number[]): Expected | null {
  const last = before.slice(-LOOKED_AT);
  const n = last.length;
  if (n < LEAST_BEFORE) return null;
  const [m, sd] = [mean(last), standardDeviation(last)];
  const reach = studentQuantile((1 + WITHIN) / 2, n - 1) * sd * Math.sqrt(1 + 1 / n);
  return { n, mean: m, sd, low: m - reach, high: m + reach };
}

export type Judged = 'better' | 'worse' | 'as usual';

/** How a value stands against what was expected of it; a history without any spread expects nothing. */
export function judgeNext(
  { low, high, sd }: Expected,
  value: number,
  better: 'less' | 'more',
): Judged | null {
  if (sd === 0) return null;
  if (value >= low && value <= high) return 'as usual';
  return value < low === (better === 'less') ? 'better' : 'worse';
}
