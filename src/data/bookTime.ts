import { max } from 'drizzle-orm';
import type { Database } from './database';
import { answers, captures, changes, experiments, proofs, rides, trials } from './schema';
import { isShared, rootOf } from './write';

/** One memory per process; Next bundles modules more than once, so it hangs on the global object. */
const place = globalThis as typeof globalThis & { pebbleTimes?: WeakMap<Database, number> };
const times = (place.pebbleTimes ??= new WeakMap<Database, number>());

/**
 * The time, ms since 1970, for what is written down now: later than everything that was written before. A clock that was
 * set back would otherwise put the newest capture behind the one that it replaces.
 */
export async function bookTime(db: Database): Promise<number> {
  const book = rootOf(db);
  // Beside other programs the book itself knows best.
  const known = isShared(db) ? undefined : times.get(book);
  const latest = known ?? (await latestIn(db));
  const now = Math.max(Date.now(), latest + 1, (times.get(book) ?? 0) + 1);
  times.set(book, now);
  return now;
}

/** The book was replaced: its own times count. */
export function forgetTimes(db: Database): void {
  times.delete(db);
}

async function latestIn(db: Database): Promise<number> {
  const found = await Promise.all([
    db.select({ at: max(changes.at) }).from(changes),
    db.select({ at: max(captures.madeAt) }).from(captures),
    db.select({ at: max(rides.at) }).from(rides),
    db.select({ at: max(proofs.at) }).from(proofs),
    db.select({ at: max(experiments.at) }).from(experiments),
    db.select({ at: max(trials.at) }).from(trials),
    db.select({ at: max(answers.at) }).from(answers),
  ]);
  return Math.max(0, ...found.map(([row]) => row?.at?.getTime() ?? 0));
}
