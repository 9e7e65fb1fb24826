import { and, asc, desc, eq, inArray, isNotNull, lt, not, sql } from 'drizzle-orm';
import { alias } from 'drizzle-orm/pg-core';
import { z } from 'zod';
import { rideFault, rideNotesSchema, seedSchema } from '@/core/rides/checkRide';
import { RIDE_COLUMNS, type RideLog } from '@/core/rides/rideLog';
import { settingValuesSchema, type SettingValues } from '@/core/settings/setting';
import { bookTime } from './bookTime';
import type { Combination } from '@/core/settings/scope';
import type { Database } from './database';
import { ofCombination } from './ofCombination';
import { inTurns, loadColumns, storeColumns } from './samples';
import { rideParts, rides } from './schema';
import type { RideRow } from '@/core/rides/rideRow';
import { IMPORTED, roadOf } from '@/core/rides/road';

const headSchema = z.strictObject({ notes: rideNotesSchema });

export interface NewRide extends Combination {
  id: string;
  trackId: string;
  seed: number;
  settings: SettingValues;
  notes: RideLog['notes'];
  /** When it was driven; now where that is not said. */
  atMs?: number | undefined;
}

/** The samples of a ride that is being written are not all there: another book took the place of this one. */
export class RidePartsGone extends Error {}

/** The samples of a ride as the book stores them. */
export async function packRide(log: RideLog): Promise<Uint8Array[]> {
  const fault = rideFault(log);
  if (fault) throw new RangeError(fault.message);
  const parts = await storeColumns(log.columns as Record<string, Float64Array>);
  return parts.map(({ samples }) => samples);
}

/** Writes some samples of a ride, inside a transaction; nothing shows them before the ride has its row. */
export async function addRidePart(
  inside: Database,
  rideId: string,
  part: number,
  samples: Uint8Array,
): Promise<void> {
  await inside.insert(rideParts).values({ rideId, part, samples });
}

/** Takes the samples away of a ride that is not written after all. */
export async function removeRideParts(inside: Database, rideId: string): Promise<void> {
  await inside.delete(rideParts).where(eq(rideParts.rideId, rideId));
}

/**
 * Writes the row of a ride whose samples are there, inside a transaction.
 * @param parts as many parts as it must have
 * @throws RidePartsGone
 */
export async function addRideRow(inside: Database, ride: NewRide, parts: number): Promise<void> {
  if ((await inside.$count(rideParts, eq(rideParts.rideId, ride.id))) !== parts) throw new RidePartsGone();
  const { notes, atMs, ...row } = ride;
  await inside.insert(rides).values({
    ...row,
    seed: seedSchema.parse(ride.seed),
    settings: settingValuesSchema.parse(ride.settings),
    at: new Date(atMs ?? (await bookTime(inside))),
    mark: null,
    head: headSchema.parse({ notes }),
  });
}

/** Writes a ride with its samples, inside a transaction. */
export async function addRide(
  inside: Database,
  { log, ...ride }: Omit<NewRide, 'notes'> & { log: RideLog },
): Promise<void> {
  const parts = await packRide(log);
  for (const [at, part] of parts.entries()) await addRidePart(inside, ride.id, at, part);
  await addRideRow(inside, { ...ride, notes: log.notes }, parts.length);
}

const ROW = {
  id: rides.id,
  at: rides.at,
  trackId: rides.trackId,
  head: rides.head,
  seed: rides.seed,
  settings: rides.settings,
  mark: rides.mark,
};

const note = (name: string) => sql`${rides.head} -> 'notes' ->> ${name}::text`;
const IS_HERE = sql`${note('source')} is distinct from ${IMPORTED}`;
/** Attempts of a drill, and parts of a test run: as `isAttempt` has it of a ride's notes. */
const IS_DRILL = sql`(${note('drill')} is not null and ${IS_HERE})`;
const IS_ATTEMPT = sql`(coalesce(${note('drill')}, ${note('part')}) is not null and ${IS_HERE})`;
const ofLaps = (scope: Combination) => and(ofCombination(rides, scope), not(IS_ATTEMPT));

const rowOf = (row: Pick<typeof rides.$inferSelect, keyof typeof ROW>): RideRow => ({
  id: row.id,
  atMs: row.at.getTime(),
  road: roadOf(row.trackId, headSchema.parse(row.head).notes),
  seed: row.seed,
  settings: settingValuesSchema.parse(row.settings),
  mark: z.enum(['A', 'B']).nullable().parse(row.mark),
});

/**
 * The newest rides of a combination in time order, without their samples: how many there are makes no difference.
 * @param skip how many of the newest are left out
 */
export async function newestRides(
  db: Database,
  scope: Combination,
  most: number,
  skip = 0,
): Promise<RideRow[]> {
  const rows = await db
    .select(ROW)
    .from(rides)
    .where(ofLaps(scope))
    .orderBy(desc(rides.at))
    .limit(most)
    .offset(skip);
  return rows.map(rowOf).reverse();
}

/** The newest rides of a combination that were taken from a file, the newest first, and what they were called. */
export async function newestLogs(
  db: Database,
  scope: Combination,
  most: number,
): Promise<(RideRow & { file: string })[]> {
  const rows = await db
    .select(ROW)
    .from(rides)
    .where(and(ofCombination(rides, scope), sql`${rides.head} -> 'notes' ->> 'file' is not null`))
    .orderBy(desc(rides.at))
    .limit(most);
  return rows.map((row) => ({ ...rowOf(row), file: headSchema.parse(row.head).notes['file']! }));
}

/** Rides of a combination by their names, in time order. */
export async function ridesOf(db: Database, scope: Combination, ids: readonly string[]): Promise<RideRow[]> {
  if (ids.length === 0) return [];
  const rows = await db
    .select(ROW)
    .from(rides)
    .where(and(ofCombination(rides, scope), inArray(rides.id, [...ids])))
    .orderBy(asc(rides.at));
  return rows.map(rowOf);
}

/** When the rides of a combination were driven, the newest first; `most` of them at most. */
export async function rideMoments(
  db: Database,
  scope: Combination,
  most: number,
): Promise<{ id: string; atMs: number }[]> {
  const rows = await db
    .select({ id: rides.id, at: rides.at })
    .from(rides)
    .where(ofLaps(scope))
    .orderBy(desc(rides.at))
    .limit(most);
  return rows.map(({ id, at }) => ({ id, atMs: at.getTime() }));
}

/** Attempts of drills in a combination, in time order: what was driven, and through what. */
export async function drillAttempts(
  db: Database,
  scope: Combination,
  most: number,
): Promise<(RideRow & { drill: string })[]> {
  const rows = await db
    .select(ROW)
    .from(rides)
    .where(and(ofCombination(rides, scope), IS_DRILL))
    .orderBy(desc(rides.at))
    .limit(most);
  return rows.map((row) => ({ ...rowOf(row), drill: headSchema.parse(row.head).notes['drill']! })).reverse();
}

export function countRides(db: Database, scope: Combination): Promise<number> {
  return db.$count(rides, ofLaps(scope));
}

/** The rides that are marked A or B, wherever they lie. */
export async function ridesWithMark(db: Database, scope: Combination): Promise<RideRow[]> {
  const rows = await db
    .select(ROW)
    .from(rides)
    .where(and(ofCombination(rides, scope), isNotNull(rides.mark)))
    .orderBy(asc(rides.at));
  return rows.map(rowOf);
}

/** What was set in the ride right before each of some rides of a combination; nothing where there was none. */
export async function settingsBefore(
  db: Database,
  scope: Combination,
  ids: readonly string[],
): Promise<ReadonlyMap<string, SettingValues>> {
  if (ids.length === 0) return new Map();
  const shown = alias(rides, 'shown');
  const before = db
    .select({ settings: rides.settings })
    .from(rides)
    .where(and(ofLaps(scope), lt(rides.at, shown.at)))
    .orderBy(desc(rides.at))
    .limit(1);
  const rows = await db
    .select({ id: shown.id, settings: sql<unknown>`(${before})` })
    .from(shown)
    .where(inArray(shown.id, [...ids]));
  return new Map(
    rows.flatMap(({ id, settings }) =>
      settings === null ? [] : [[id, settingValuesSchema.parse(settings)] as const],
    ),
  );
}

/** A ride as it is stored. */
export interface StoredRide {
  notes: RideLog['notes'];
  parts: Uint8Array[];
}

/** A ride with its samples as they are stored; `null` where there is no such ride. A long one is read in turns. */
export async function storedRide(db: Database, id: string): Promise<StoredRide | null> {
  const [row] = await db.select({ head: rides.head }).from(rides).where(eq(rides.id, id));
  if (!row) return null;
  const parts = await inTurns((limit, offset) =>
    db
      .select({ samples: rideParts.samples })
      .from(rideParts)
      .where(eq(rideParts.rideId, id))
      .orderBy(asc(rideParts.part))
      .limit(limit)
      .offset(offset),
  );
  return { notes: headSchema.parse(row.head).notes, parts: parts.map(({ samples }) => samples) };
}

/** Unpacks a ride. */
export function rideOf({ notes, parts }: StoredRide): RideLog {
  const columns = loadColumns(parts);
  const t = columns['t_s'];
  if (!t || !Object.keys(columns).every((name) => (RIDE_COLUMNS as readonly string[]).includes(name)))
    throw new Error('a ride holds unknown columns');
  return { columns: { ...columns, t_s: t }, notes };
}

export async function loadRide(db: Database, id: string): Promise<RideLog | null> {
  const stored = await storedRide(db, id);
  return stored && rideOf(stored);
}

/**
 * Marks a ride as A or B, one of each in a combination, inside a transaction; `null` takes its mark away. False where there
 * is no such ride.
 */
export async function markRide(
  inside: Database,
  scope: Combination,
  id: string,
  mark: 'A' | 'B' | null,
): Promise<boolean> {
  const here = and(ofCombination(rides, scope), eq(rides.id, id));
  if ((await inside.select({ id: rides.id }).from(rides).where(here)).length === 0) return false;
  if (mark)
    await inside
      .update(rides)
      .set({ mark: null })
      .where(and(ofCombination(rides, scope), eq(rides.mark, mark)));
  await inside.update(rides).set({ mark }).where(here);
  return true;
}
