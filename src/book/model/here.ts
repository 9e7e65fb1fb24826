import { combinationSchema, type Combination } from '@/core/settings/scope';

/** Every browser says in this cookie which combination it has open; each of its tabs sees to it (live/ownCombination.ts). */
export const HERE_COOKIE = 'pebble-here';
export const HERE_MAX_AGE_S = 365 * 24 * 3600;

/** A combination as the value of the cookie. */
export function hereText({ rigId, titleId, carId, driver, branch }: Combination): string {
  return JSON.stringify({ rigId, titleId, carId, driver, branch });
}

/** What a cookie says; `null` where it is none of ours. */
export function combinationOf(text: string | undefined): Combination | null {
  if (text === undefined) return null;
  try {
    const parsed = combinationSchema.safeParse(JSON.parse(text));
    return parsed.success ? parsed.data : null;
  } catch {
    return null;
  }
}
