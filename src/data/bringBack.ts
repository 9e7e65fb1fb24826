import { eq, isNotNull } from 'drizzle-orm';
import { typedInSchema } from '@/core/card/typedIn';
import { forgetTimes } from './bookTime';
import { forgetChanges } from './changes';
import type { Database } from './database';
import { ofCombination } from './ofCombination';
import { combinations } from './schema';
import { columnOf, RECORDS } from './tables';
import { rootOf } from './write';

/** Where the book says when something was. */
const MOMENTS = RECORDS.flatMap(({ table, moment }) =>
  moment === null ? [] : [{ table, key: moment, column: columnOf(table, moment) }],
);

/** What is dated within half a day is left alone: another time zone, and less than a restore allows. */
const GRACE_MS = 12 * 60 * 60 * 1000;

/**
 * Dates what a clock that ran ahead has dated in the future to now, in the order in which it was written; inside a
 * transaction. Only who uses the computer can know whether its clock is right by now.
 * @param nowMs what the clock says, ms since 1970
 * @returns how many moments were dated anew
 */
export async function bringBack(inside: Database, nowMs: number): Promise<number> {
  const limit = nowMs + GRACE_MS;
  const found = new Set<number>();
  let latest = nowMs;
  const look = (atMs: number) => (atMs > limit ? found.add(atMs) : (latest = Math.max(latest, atMs)));
  for (const { table, column } of MOMENTS)
    for (const { at } of await inside.select({ at: column }).from(table)) look((at as Date).getTime());
  const typed = await inside.select().from(combinations).where(isNotNull(combinations.typedIn));
  const typedIn = typed.map((row) => ({ row, state: typedInSchema.parse(row.typedIn) }));
  for (const { state } of typedIn) look(state.atMs);

  const dated = new Map([...found].sort((a, b) => a - b).map((atMs, i) => [atMs, latest + 1 + i]));
  for (const { row, state } of typedIn) {
    const atMs = dated.get(state.atMs);
    if (atMs !== undefined)
      await inside
        .update(combinations)
        .set({ typedIn: { ...state, atMs } })
        .where(ofCombination(combinations, row));
  }
  for (const [before, after] of dated)
    for (const { table, key, column } of MOMENTS)
      await inside
        .update(table)
        .set({ [key]: new Date(after) })
        .where(eq(column, new Date(before)));
  forgetTimes(rootOf(inside));
  forgetChanges(rootOf(inside));
  return dated.size;
}
