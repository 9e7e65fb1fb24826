import { asc, gt } from 'drizzle-orm';
import { z } from 'zod';
import { AXIS_NAMES } from '@/core/axes/recording';
import { LAYERS } from '@/core/settings/setting';
import type { TrailEvent } from '@/core/settings/trail';
import type { Database } from './openBook';
import { changes } from './schema';

export type RecordedEvent = TrailEvent & { why: string };

/** Changes are only ever added: those that were read once need not be read again. */
interface ReadChanges {
  lastSeq: number;
  byRig: Map<string, RecordedEvent[]>;
}

/** One memory per process; Next bundles modules more than once, so it hangs on the global object. */
const place = globalThis as typeof globalThis & { pebbleChanges?: WeakMap<Database, ReadChanges> };
const read = (place.pebbleChanges ??= new WeakMap<Database, ReadChanges>());

/** Every change of the book by rig, in trail order; what holds in a combination is for the trail's fold to say. */
export async function changesByRig(db: Database): Promise<ReadonlyMap<string, readonly RecordedEvent[]>> {
  const known = read.get(db) ?? { lastSeq: 0, byRig: new Map<string, RecordedEvent[]>() };
  const rows = await db
    .select()
    .from(changes)
    .where(gt(changes.seq, known.lastSeq))
    .orderBy(asc(changes.seq));
  for (const row of rows) {
    // Two readers at once may have got the same rows.
    if (row.seq <= known.lastSeq) continue;
    known.lastSeq = row.seq;
    const events = known.byRig.get(row.rigId) ?? [];
    events.push(recorded(row));
    known.byRig.set(row.rigId, events);
  }
  read.set(db, known);
  return known.byRig;
}

export async function listChanges(db: Database, rigId: string): Promise<readonly RecordedEvent[]> {
  return (await changesByRig(db)).get(rigId) ?? [];
}

/** The book was replaced: what was read of it no longer counts. */
export function forgetChanges(db: Database): void {
  read.delete(db);
}

/** Books events together or not at all. */
export async function addChanges(db: Database, rigId: string, events: RecordedEvent[]): Promise<void> {
  if (events.length === 0) return;
  await db.insert(changes).values(events.map((event) => rowOf(rigId, event)));
}

function rowOf(rigId: string, event: RecordedEvent): typeof changes.$inferInsert {
  const common = { rigId, id: event.id, at: new Date(event.atMs), kind: event.kind, why: event.why };
  if (event.kind === 'put-back') return { ...common, branch: '', undoes: event.undoes };
  return { ...common, ...event.scope, ...event.key, fromValue: event.from, toValue: event.to };
}

export const settingValueSchema = z.union([z.number(), z.array(z.tuple([z.number(), z.number()])).max(50)]);

const setRow = z.object({
  rigId: z.string(),
  titleId: z.string().nullable(),
  carId: z.string().nullable(),
  driver: z.string().nullable(),
  branch: z.string(),
  layer: z.enum(LAYERS),
  axis: z.enum(AXIS_NAMES),
  field: z.string(),
  fromValue: settingValueSchema.nullable(),
  toValue: settingValueSchema.nullable(),
});

function recorded(row: typeof changes.$inferSelect): RecordedEvent {
  const common = { id: row.id, atMs: row.at.getTime(), why: row.why };
  if (row.kind === 'put-back') return { ...common, kind: 'put-back', undoes: row.undoes ?? '' };
  const { layer, axis, field, fromValue, toValue, ...scope } = setRow.parse(row);
  return { ...common, kind: 'set', scope, key: { layer, axis, field }, from: fromValue, to: toValue };
}
