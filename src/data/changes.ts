import { asc, gt } from 'drizzle-orm';
import { z } from 'zod';
import { whySchema } from '@/core/formats/bookJson';
import { settingKeySchema, settingValueSchema } from '@/core/settings/setting';
import type { TrailEvent } from '@/core/settings/trail';
import type { Database } from './database';
import { changes } from './schema';
import { rootOf } from './write';

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
  const known = knownBy(db);
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
    events.push(eventOf({ ...row, atMs: row.at.getTime() }));
    known.byRig.set(row.rigId, events);
  }
  return known.byRig;
}

/**
 * What was read before. A transaction begins with what its book knows, and keeps for itself what it adds: it may be taken
 * back.
 */
function knownBy(db: Database): ReadChanges {
  const known = read.get(db);
  if (known) return known;
  const root = read.get(rootOf(db));
  const mine = {
    lastSeq: root?.lastSeq ?? 0,
    byRig: new Map([...(root?.byRig ?? [])].map(([rig, events]) => [rig, [...events]])),
  };
  read.set(db, mine);
  return mine;
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
  const why = whySchema.parse(event.why);
  const common = { rigId, id: event.id, at: new Date(event.atMs), kind: event.kind, why };
  if (event.kind === 'put-back') return { ...common, branch: '', undoes: event.undoes };
  const values = { fromValue: event.from, toValue: event.to };
  return { ...common, ...event.scope, ...event.key, ...z.object(valueFields).parse(values) };
}

const valueFields = { fromValue: settingValueSchema.nullable(), toValue: settingValueSchema.nullable() };

const setRow = z.object({
  rigId: z.string(),
  titleId: z.string().nullable(),
  carId: z.string().nullable(),
  driver: z.string().nullable(),
  branch: z.string(),
  ...settingKeySchema.shape,
  ...valueFields,
});

type ChangeRow = Omit<typeof changes.$inferSelect, 'seq' | 'at'> & { atMs: number };

/** A change as it lies in the book or a backup, as an event of the trail. */
export function eventOf(row: ChangeRow): RecordedEvent {
  const common = { id: row.id, atMs: row.atMs, why: row.why };
  if (row.kind === 'put-back') return { ...common, kind: 'put-back', undoes: row.undoes ?? '' };
  const { layer, axis, field, fromValue, toValue, ...scope } = setRow.parse(row);
  return { ...common, kind: 'set', scope, key: { layer, axis, field }, from: fromValue, to: toValue };
}
