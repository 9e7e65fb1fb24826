import { z } from 'zod';

const MOST_DEPTH = 12;
const MOST_ENTRIES = 20_000;
const MOST_TEXT = 4000;
const UNWRITABLE = /[\u0000\p{Cs}]/u;

/**
 * JSON that only its own reader knows the shape of, within bounds: finite numbers, texts that a database can hold, not
 * too deep and not too much.
 */
export const plainJson = z
  .unknown()
  .refine(isPlain, 'it is deeper, larger or stranger than what is kept here');

function isPlain(value: unknown): boolean {
  let left = MOST_ENTRIES;
  const look = (one: unknown, depth: number): boolean => {
    if (--left < 0 || depth > MOST_DEPTH) return false;
    if (one === null || one === undefined || typeof one === 'boolean') return true;
    if (typeof one === 'number') return Number.isFinite(one);
    if (typeof one === 'string') return one.length <= MOST_TEXT && !UNWRITABLE.test(one);
    if (Array.isArray(one)) return one.every((part) => look(part, depth + 1));
    if (typeof one !== 'object') return false;
    return Object.entries(one).every(([key, part]) => look(key, depth) && look(part, depth + 1));
  };
  return look(value, 0);
}
