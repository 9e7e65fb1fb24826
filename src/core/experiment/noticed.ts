import { justNoticeable, type NoticedPair } from './justNoticeable';

/** What a driver just notices of a setting, in its title's scale, with its 90 % interval. */
export interface Noticed {
  value: number;
  low: number;
  high: number;
  /** Told by the answers of a search, or by the pairs of blind tests. */
  from: 'search' | 'pairs';
}

/** Of simulated drivers whose search claimed (108 of one setting, 29 of two), nine in ten have theirs between these shares of what it says. */
const SEARCH_ERRS = [0.45, 2] as const;

/** Few answers say little of it: a search believes more or less what is usual, and that is said. */
export const noticedInSearch = (jnd: number): Noticed => ({
  value: jnd,
  low: SEARCH_ERRS[0] * jnd,
  high: SEARCH_ERRS[1] * jnd,
  from: 'search',
});

/** Fewer answered pairs say nothing yet. */
export const LEAST_PAIRS = 6;

/**
 * What blind pairs say of it. Pairs in which the driver could not say are left out, so that it is rather too small than too
 * great: nothing that is felt is said not to be.
 * @param range of the setting in its title's scale, above 0
 * @returns `null` of fewer than six pairs
 */
export function noticedInPairs(
  pairs: readonly { apart: number; isRight: boolean }[],
  range: number,
): Noticed | null {
  const shares = pairs.map(({ apart, isRight }): NoticedPair => ({ apart: apart / range, isRight }));
  if (shares.length < LEAST_PAIRS) return null;
  const { jnd, low, high } = justNoticeable(shares, []);
  return { value: range * jnd, low: range * low, high: range * high, from: 'pairs' };
}

/** The one that leaves less open. */
export function surest(all: readonly (Noticed | null)[]): Noticed | null {
  const told = all.filter((one) => one !== null);
  return told.toSorted((x, y) => x.high / x.low - y.high / y.low)[0] ?? null;
}
