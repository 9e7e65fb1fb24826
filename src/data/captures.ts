import { and, asc, desc, eq, lt, ne, sql } from 'drizzle-orm';
import { z } from 'zod';
import type { GuideState } from '@/core/axes/guideState';
import { AXIS_NAMES, type AxisName, type Recording } from '@/core/axes/recording';
import { bookTime } from './bookTime';
import type { Database } from './openBook';
import { loadColumns, storeColumns } from './samples';
import { captureParts, captures } from './schema';

const runSchema = z.strictObject({
  label: z.string().max(20),
  from: z.number().int().nonnegative(),
  to: z.number().int().nonnegative(),
});

/** A capture without its samples: what is sent along with them and kept beside them. */
export const captureHeadSchema = z.strictObject({
  device: z.string().max(320),
  rangeMin: z.number(),
  rangeMax: z.number(),
  rateHz: z.number().positive().nullable(),
  runs: z.array(runSchema).max(10_000),
  /** The guide's memory, for a draft that is gone on with. Only the guide itself reads it. */
  guide: z.unknown(),
  /** Which window writes a draft; another one has other samples and sends all of its own. */
  writer: z.string().max(60).optional(),
});
export type CaptureHead = z.output<typeof captureHeadSchema>;

export interface CaptureScope {
  rigId: string;
  axis: AxisName;
  driver: string;
}

export interface CaptureRow extends CaptureScope {
  id: string;
  madeAtMs: number;
  status: 'draft' | 'kept';
  origin: 'guided' | 'file';
  rows: number;
}

export interface StoredCapture extends CaptureRow {
  recording: Recording;
  guide: GuideState | null;
}

/** Samples that follow those sent before: time, and a column per axis. */
export interface CapturePart {
  fromRow: number;
  t: Float64Array;
  axes: Partial<Record<AxisName, Float64Array>>;
}

export interface NewCapture extends CaptureScope {
  id: string;
  status: 'draft' | 'kept';
  origin: 'guided' | 'file';
  head: CaptureHead;
  part: CapturePart;
  /** Now, where it is not said. */
  madeAtMs?: number;
}

/** A part came that does not join those that are here: it has to be sent again from where they end. */
export class MissingParts extends Error {
  constructor(readonly knownRows: number) {
    super(`the book holds ${knownRows} rows of this capture`);
  }
}

/** A part came of a capture that is kept already: what is kept never changes. */
export class AlreadyKept extends Error {
  constructor(readonly rows: number) {
    super(`a capture of ${rows} rows is kept already`);
  }
}

/**
 * Writes a capture's head and its newest samples. A part that was sent before is replaced; keeping a capture ends every
 * draft in its scope. A part must join what the same window has sent before.
 */
export async function saveCapture(db: Database, capture: NewCapture): Promise<void> {
  const { id, rigId, axis, driver, status, origin, head, part } = capture;
  const rows = part.fromRow + part.t.length;
  const madeAt = new Date(capture.madeAtMs ?? (await bookTime(db)));
  const state = { status, head, rows, analysis: null, madeAt };
  await db.transaction(async (tx) => {
    const [known] = await tx
      .select({ rows: captures.rows, status: captures.status, head: captures.head })
      .from(captures)
      .where(eq(captures.id, id));
    if (known?.status === 'kept') throw new AlreadyKept(known.rows);
    const isMine = known && captureHeadSchema.parse(known.head).writer === head.writer;
    const joint = isMine ? await jointOf(tx, id, part) : 0;
    if (part.fromRow !== joint) throw new MissingParts(joint);
    await tx
      .insert(captures)
      .values({ id, rigId, axis, driver, origin, ...state })
      .onConflictDoUpdate({ target: captures.id, set: state });
    await tx
      .delete(captureParts)
      .where(and(eq(captureParts.captureId, id), sql`${captureParts.fromRow} >= ${part.fromRow}`));
    if (part.t.length > 0)
      await tx.insert(captureParts).values({
        captureId: id,
        fromRow: part.fromRow,
        rows: part.t.length,
        samples: storeColumns({ t: part.t, ...part.axes }),
      });
    await tx.delete(captures).where(and(inScope(capture), eq(captures.status, 'draft'), ne(captures.id, id)));
  });
}

/** The row at which a part has to begin to join what is here: its own, where a part of the same columns ends or began there. */
async function jointOf(db: Database, id: string, { fromRow, axes }: CapturePart): Promise<number> {
  const before = await db
    .select()
    .from(captureParts)
    .where(and(eq(captureParts.captureId, id), lt(captureParts.fromRow, fromRow)))
    .orderBy(desc(captureParts.fromRow))
    .limit(1);
  const last = before[0];
  if (!last) return 0;
  const known = Object.keys(loadColumns(last.samples)).filter((name) => name !== 't');
  if (known.sort().join() !== Object.keys(axes).sort().join()) return 0;
  const end = last.fromRow + last.rows;
  return fromRow < end ? last.fromRow : end;
}

/** A draft becomes a kept capture (its samples are here already), or stays what it is. */
export async function keepCapture(db: Database, id: string): Promise<void> {
  const [row] = await db.select({ head: captures.head }).from(captures).where(eq(captures.id, id));
  if (!row) return;
  const head = { ...captureHeadSchema.parse(row.head), guide: null, writer: undefined };
  await db.update(captures).set({ status: 'kept', head }).where(eq(captures.id, id));
}

export async function discardDraft(db: Database, scope: CaptureScope): Promise<void> {
  await db.delete(captures).where(and(inScope(scope), eq(captures.status, 'draft')));
}

export async function removeCapture(db: Database, rigId: string, id: string): Promise<void> {
  await db.delete(captures).where(and(eq(captures.rigId, rigId), eq(captures.id, id)));
}

/** Captures of a rig in time order, without their samples. */
export async function listCaptures(db: Database, rigId: string): Promise<CaptureRow[]> {
  const { id, axis, driver, madeAt, status, origin, rows } = captures;
  const found = await db
    .select({ id, rigId: captures.rigId, axis, driver, madeAt, status, origin, rows })
    .from(captures)
    .where(eq(captures.rigId, rigId))
    .orderBy(asc(captures.madeAt));
  return found.map(rowOf);
}

/** The newest capture of a scope, kept or draft, with its samples. */
export async function newestCapture(
  db: Database,
  scope: CaptureScope,
  status: 'draft' | 'kept',
): Promise<StoredCapture | null> {
  const [row] = await db
    .select({ id: captures.id })
    .from(captures)
    .where(and(inScope(scope), eq(captures.status, status)))
    .orderBy(desc(captures.madeAt))
    .limit(1);
  return row ? loadCapture(db, row.id) : null;
}

export async function loadCapture(db: Database, id: string): Promise<StoredCapture | null> {
  const [row] = await db.select().from(captures).where(eq(captures.id, id));
  if (!row) return null;
  const parts = await db
    .select()
    .from(captureParts)
    .where(eq(captureParts.captureId, id))
    .orderBy(asc(captureParts.fromRow));
  const head = captureHeadSchema.parse(row.head);
  const { t, axes } = joinParts(
    parts.map((part) => loadColumns(part.samples)),
    row.rows,
  );
  const { device, rangeMin, rangeMax, rateHz, runs } = head;
  return {
    ...rowOf(row),
    guide: (head.guide ?? null) as GuideState | null,
    recording: { t, axes, runs, device, rangeMin, rangeMax, rateHz },
  };
}

function joinParts(parts: Record<string, Float64Array>[], rows: number) {
  const column = (name: string) => {
    const out = new Float64Array(rows);
    let at = 0;
    for (const part of parts) {
      out.set(part[name]!, at);
      at += part[name]!.length;
    }
    return out;
  };
  const names = Object.keys(parts[0] ?? {}).filter((name) => name !== 't');
  const axes = z
    .array(z.enum(AXIS_NAMES))
    .parse(names)
    .map((name) => [name, column(name)] as const);
  return { t: parts.length > 0 ? column('t') : new Float64Array(0), axes: Object.fromEntries(axes) };
}

/**
 * What was worked out from a kept capture by the estimators of this version; `null` where it has to be worked out again.
 * It comes back as the JSON that went in: whoever wrote it knows its shape.
 */
export async function storedAnalysis(db: Database, id: string, version: number): Promise<unknown> {
  const [row] = await db.select({ analysis: captures.analysis }).from(captures).where(eq(captures.id, id));
  const kept = analysisSchema.safeParse(row?.analysis);
  return kept.success && kept.data.version === version ? kept.data.result : null;
}

const analysisSchema = z.object({ version: z.number(), result: z.unknown() });

export async function storeAnalysis(
  db: Database,
  id: string,
  version: number,
  result: unknown,
): Promise<void> {
  await db.update(captures).set({ analysis: { version, result } }).where(eq(captures.id, id));
}

function inScope({ rigId, axis, driver }: CaptureScope) {
  return and(eq(captures.rigId, rigId), eq(captures.axis, axis), eq(captures.driver, driver));
}

const kindSchema = z.object({
  axis: z.enum(AXIS_NAMES),
  status: z.enum(['draft', 'kept']),
  origin: z.enum(['guided', 'file']),
});

function rowOf(row: Omit<typeof captures.$inferSelect, 'head' | 'analysis'>): CaptureRow {
  const { id, rigId, driver, madeAt, rows } = row;
  return { id, rigId, driver, madeAtMs: madeAt.getTime(), rows, ...kindSchema.parse(row) };
}
