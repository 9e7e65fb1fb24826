import { and, asc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { RIDE_COLUMNS, type RideLog } from '@/core/rides/rideLog';
import type { SettingValues } from '@/core/settings/setting';
import { bookTime } from './bookTime';
import { settingValueSchema } from './changes';
import type { Combination } from './combination';
import type { Database } from './openBook';
import { loadColumns, storeColumns } from './samples';
import { rides } from './schema';

const settingsSchema = z.record(z.string(), settingValueSchema);
const headSchema = z.strictObject({ notes: z.record(z.string(), z.string()) });

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

export async function addRide(db: Database, { log, ...ride }: NewRide): Promise<void> {
  await db.insert(rides).values({
    ...ride,
    at: new Date(await bookTime(db)),
    mark: null,
    head: { notes: log.notes },
    samples: storeColumns(log.columns as Record<string, Float64Array>),
  });
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
    settings: settingsSchema.parse(row.settings),
    mark: z.enum(['A', 'B']).nullable().parse(row.mark),
  }));
}

export async function loadRide(db: Database, id: string): Promise<RideLog | null> {
  const [row] = await db.select().from(rides).where(eq(rides.id, id));
  if (!row) return null;
  const columns = loadColumns(row.samples);
  const t = columns['t_s'];
  if (!t || !Object.keys(columns).every((name) => (RIDE_COLUMNS as readonly string[]).includes(name)))
    throw new Error(`ride ${id} holds unknown columns`);
  return { columns: { ...columns, t_s: t }, notes: headSchema.parse(row.head).notes };
}

/** Marks a ride as A or B, one of each in a combination; `null` takes its mark away. False where there is no such ride. */
export async function markRide(
  db: Database,
  scope: Combination,
  id: string,
  mark: 'A' | 'B' | null,
): Promise<boolean> {
  return db.transaction(async (tx) => {
    const here = and(inScope(scope), eq(rides.id, id));
    if ((await tx.select({ id: rides.id }).from(rides).where(here)).length === 0) return false;
    if (mark)
      await tx
        .update(rides)
        .set({ mark: null })
        .where(and(inScope(scope), eq(rides.mark, mark)));
    await tx.update(rides).set({ mark }).where(here);
    return true;
  });
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
