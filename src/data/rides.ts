import { and, asc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { rideFault, rideNotesSchema, seedSchema } from '@/core/rides/checkRide';
import { RIDE_COLUMNS, type RideLog } from '@/core/rides/rideLog';
import { settingValuesSchema, type SettingValues } from '@/core/settings/setting';
import { bookTime } from './bookTime';
import type { Combination } from '@/core/settings/scope';
import type { Database } from './openBook';
import { loadColumns, storeColumns } from './samples';
import { rideParts, rides } from './schema';

const headSchema = z.strictObject({ notes: rideNotesSchema });

export interface RideRow {
  id: string;
  atMs: number;
  trackId: string;
  seed: number;
  settings: SettingValues;
  mark: 'A' | 'B' | null;
}

export interface NewRide extends Combination {
  id: string;
  trackId: string;
  seed: number;
  settings: SettingValues;
  log: RideLog;
}

/** Writes a ride, inside a transaction. */
export async function addRide(inside: Database, { log, ...ride }: NewRide): Promise<void> {
  const fault = rideFault(log);
  if (fault) throw new RangeError(fault.message);
  await inside.insert(rides).values({
    ...ride,
    seed: seedSchema.parse(ride.seed),
    settings: settingValuesSchema.parse(ride.settings),
    at: new Date(await bookTime(inside)),
    mark: null,
    head: headSchema.parse({ notes: log.notes }),
  });
  const parts = await storeColumns(log.columns as Record<string, Float64Array>);
  for (const [part, { samples }] of parts.entries())
    await inside.insert(rideParts).values({ rideId: ride.id, part, samples });
}

/** Rides of a combination in time order, without their samples. */
export async function listRides(db: Database, scope: Combination): Promise<RideRow[]> {
  const { id, at, trackId, seed, settings, mark } = rides;
  const rows = await db
    .select({ id, at, trackId, seed, settings, mark })
    .from(rides)
    .where(inScope(scope))
    .orderBy(asc(rides.at));
  return rows.map((row) => ({
    id: row.id,
    atMs: row.at.getTime(),
    trackId: row.trackId,
    seed: row.seed,
    settings: settingValuesSchema.parse(row.settings),
    mark: z.enum(['A', 'B']).nullable().parse(row.mark),
  }));
}

export async function loadRide(db: Database, id: string): Promise<RideLog | null> {
  const [row] = await db.select().from(rides).where(eq(rides.id, id));
  if (!row) return null;
  const columns = loadColumns((await storedRide(db, id)) ?? []);
  const t = columns['t_s'];
  if (!t || !Object.keys(columns).every((name) => (RIDE_COLUMNS as readonly string[]).includes(name)))
    throw new Error(`ride ${id} holds unknown columns`);
  return { columns: { ...columns, t_s: t }, notes: headSchema.parse(row.head).notes };
}

/** Its samples as they are stored, part by part; `null` where there is no such ride. */
export async function storedRide(db: Database, id: string): Promise<Uint8Array[] | null> {
  const parts = await db
    .select({ samples: rideParts.samples })
    .from(rideParts)
    .where(eq(rideParts.rideId, id))
    .orderBy(asc(rideParts.part));
  return parts.length > 0 ? parts.map(({ samples }) => samples) : null;
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
  const here = and(inScope(scope), eq(rides.id, id));
  if ((await inside.select({ id: rides.id }).from(rides).where(here)).length === 0) return false;
  if (mark)
    await inside
      .update(rides)
      .set({ mark: null })
      .where(and(inScope(scope), eq(rides.mark, mark)));
  await inside.update(rides).set({ mark }).where(here);
  return true;
}

function inScope(scope: Combination) {
  return and(
    eq(rides.rigId, scope.rigId),
    eq(rides.titleId, scope.titleId),
    eq(rides.carId, scope.carId),
    eq(rides.driver, scope.driver),
    eq(rides.branch, scope.branch),
  );
}
