import { and, asc, desc, eq, lt, ne, sql } from 'drizzle-orm';
import { z } from 'zod';
import type { GuideState } from '@/core/axes/guideState';
import { captureHeadSchema, type CaptureHead } from '@/core/axes/checkCapture';
import { AXIS_NAMES, AXIS_WORDS, type AxisName } from '@/core/axes/axes';
import type { Recording } from '@/core/axes/recording';
import { partFault, type CapturePart } from '@/core/axes/sentCapture';
import type { Problem } from '@/core/problem';
import { bookTime } from './bookTime';
import type { Database } from './database';
import { inTurns, loadColumns, loadPart, storeColumns } from './samples';
import { captureParts, captures } from './schema';

export interface CaptureScope {
  rigId: string;
  axis: AxisName;
  driver: string;
}

export interface CaptureRow extends CaptureScope {
  id: string;
  /** Name of the device that it was recorded from. */
  device: string;
  madeAtMs: number;
  status: 'draft' | 'kept';
  origin: 'guided' | 'file';
  rows: number;
}

/** A capture with its samples, and the guide's memory where it is a draft to be gone on with. */
export interface LoadedCapture extends CaptureRow {
  recording: Recording;
  guide: GuideState | null;
}

/** A capture with its samples as they are stored. */
export interface StoredCapture extends CaptureRow {
  head: CaptureHead;
  parts: Uint8Array[];
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

/** What came is no part of a capture: nothing was written. */
export class NoCapture extends Error {
  constructor(readonly problem: Problem) {
    super(problem.message);
  }
}

/**
 * Writes a capture's head and its newest samples, inside a transaction. A part that was sent before is replaced; keeping a
 * capture ends every draft in its scope. A part must join what the same window has sent before.
 * @throws NoCapture, AlreadyKept, MissingParts
 */
export async function saveCapture(inside: Database, capture: NewCapture): Promise<void> {
  const { id, rigId, axis, driver, status, origin, part } = capture;
  const head = captureHeadSchema.parse(capture.head);
  const rows = part.fromRow + part.t.length;
  const [known] = await inside
    .select({ rows: captures.rows, status: captures.status, head: captures.head, axis: captures.axis })
    .from(captures)
    .where(eq(captures.id, id));
  if (known?.status === 'kept') throw new AlreadyKept(known.rows);
  if (known && known.axis !== axis) throw new NoCapture(otherAxis(known.axis, axis));
  const isMine = known && captureHeadSchema.parse(known.head).writer === head.writer;
  const joint = isMine ? await jointOf(inside, id, part) : FROM_THE_START;
  if (part.fromRow !== joint.row) throw new MissingParts(joint.row);
  const fault = partFault(part, head, axis) ?? clockFault(part, joint.lastT);
  if (fault) throw new NoCapture(fault);
  const madeAt = new Date(capture.madeAtMs ?? (await bookTime(inside)));
  const state = { status, head, rows, analysis: null, madeAt };
  await inside
    .insert(captures)
    .values({ id, rigId, axis, driver, origin, ...state })
    .onConflictDoUpdate({ target: captures.id, set: state });
  await inside
    .delete(captureParts)
    .where(and(eq(captureParts.captureId, id), sql`${captureParts.fromRow} >= ${part.fromRow}`));
  for (const stored of await storeColumns({ t: part.t, ...part.axes }))
    await inside
      .insert(captureParts)
      .values({ captureId: id, ...stored, fromRow: part.fromRow + stored.fromRow });
  await inside
    .delete(captures)
    .where(and(inScope(capture), eq(captures.status, 'draft'), ne(captures.id, id)));
}

function otherAxis(known: string, sent: AxisName): Problem {
  return {
    code: 'other-axis',
    message: `This capture is of the ${AXIS_WORDS[known as AxisName] ?? known}, not of the ${AXIS_WORDS[sent]}.`,
    place: {},
    remedy: 'Start a new capture for another axis.',
  };
}

/** Time goes on from part to part. */
function clockFault({ fromRow, t }: CapturePart, lastT: number): Problem | null {
  if (t.length === 0 || t[0]! >= lastT) return null;
  return {
    code: 'time-backwards',
    message: `Time runs backwards, from ${lastT} s to ${t[0]} s.`,
    place: { row: fromRow + 1, column: 't_s' },
    remedy: 'Record it again.',
  };
}

/** Where a part has to begin, and the time of the sample before it. */
interface Joint {
  row: number;
  lastT: number;
}

const FROM_THE_START: Joint = { row: 0, lastT: -Infinity };

/** A part joins what is here where a part of the same columns ends or began at its own row. */
async function jointOf(db: Database, id: string, { fromRow, axes }: CapturePart): Promise<Joint> {
  const [last, before] = await db
    .select()
    .from(captureParts)
    .where(and(eq(captureParts.captureId, id), lt(captureParts.fromRow, fromRow)))
    .orderBy(desc(captureParts.fromRow))
    .limit(2);
  if (!last) return FROM_THE_START;
  const { t, ...columns } = loadPart(last.samples);
  if (Object.keys(columns).sort().join() !== Object.keys(axes).sort().join()) return FROM_THE_START;
  const end = last.fromRow + last.rows;
  if (fromRow >= end) return { row: end, lastT: t!.at(-1)! };
  return { row: last.fromRow, lastT: before ? loadPart(before.samples)['t']!.at(-1)! : -Infinity };
}

/**
 * A draft becomes a kept capture (its samples are here already), inside a transaction.
 * @param madeAtMs when its last part came: where another one came since, it is not kept, and `false` given
 */
export async function keepCapture(inside: Database, id: string, madeAtMs: number): Promise<boolean> {
  const [row] = await inside
    .select({ head: captures.head, madeAt: captures.madeAt })
    .from(captures)
    .where(eq(captures.id, id));
  if (row?.madeAt.getTime() !== madeAtMs) return false;
  const head = { ...captureHeadSchema.parse(row.head), guide: null, writer: undefined };
  await inside.update(captures).set({ status: 'kept', head }).where(eq(captures.id, id));
  return true;
}

export async function discardDraft(db: Database, scope: CaptureScope): Promise<void> {
  await db.delete(captures).where(and(inScope(scope), eq(captures.status, 'draft')));
}

export async function removeCapture(db: Database, rigId: string, id: string): Promise<void> {
  await db.delete(captures).where(and(eq(captures.rigId, rigId), eq(captures.id, id)));
}

/** Captures of a rig in time order, without their samples. */
export async function listCaptures(db: Database, rigId: string): Promise<CaptureRow[]> {
  const { id, rigId: rig, axis, driver, madeAt, status, origin, rows } = captures;
  const device = sql<string>`${captures.head}->>'device'`;
  const found = await db
    .select({ id, rigId: rig, axis, driver, madeAt, status, origin, rows, device })
    .from(captures)
    .where(eq(captures.rigId, rigId))
    .orderBy(asc(captures.madeAt));
  return found.map((row) => rowOf(row, row.device));
}

/** A kept capture of a rig by its name. */
export async function captureRow(db: Database, rigId: string, id: string): Promise<CaptureRow | null> {
  const [row] = await db
    .select()
    .from(captures)
    .where(and(eq(captures.rigId, rigId), eq(captures.id, id), eq(captures.status, 'kept')));
  return row ? rowOf(row, captureHeadSchema.parse(row.head).device) : null;
}

/** The newest capture of a scope, kept or draft, with its samples. */
export async function newestCapture(
  db: Database,
  scope: CaptureScope,
  status: 'draft' | 'kept',
): Promise<LoadedCapture | null> {
  const [row] = await db
    .select({ id: captures.id })
    .from(captures)
    .where(and(inScope(scope), eq(captures.status, status)))
    .orderBy(desc(captures.madeAt))
    .limit(1);
  return row ? loadCapture(db, row.id) : null;
}

export async function loadCapture(db: Database, id: string): Promise<LoadedCapture | null> {
  const [row] = await db.select().from(captures).where(eq(captures.id, id));
  if (!row) return null;
  const parts = await partsOf(db, id);
  const head = captureHeadSchema.parse(row.head);
  const recording = recordingOf(head, parts);
  return { ...rowOf(row, head.device), guide: (head.guide ?? null) as GuideState | null, recording };
}

const partsOf = async (db: Database, id: string, window?: { limit: number; offset: number }) => {
  const ordered = db
    .select({ samples: captureParts.samples })
    .from(captureParts)
    .where(eq(captureParts.captureId, id))
    .orderBy(asc(captureParts.fromRow));
  const parts = await (window ? ordered.limit(window.limit).offset(window.offset) : ordered);
  return parts.map(({ samples }) => samples);
};

/** A recording of its head, and its samples as they are stored. */
export function recordingOf(head: CaptureHead, parts: readonly Uint8Array[]): Recording {
  const { t = new Float64Array(0), ...columns } = loadColumns(parts);
  const names = z.array(z.enum(AXIS_NAMES)).parse(Object.keys(columns));
  const axes = Object.fromEntries(names.map((name) => [name, columns[name]!]));
  const { device, rangeMin, rangeMax, rateHz, runs } = head;
  return { t, axes, runs, device, rangeMin, rangeMax, rateHz };
}

/** A capture with its samples as they are stored; a long one is read in turns, again where it went on meanwhile. */
export async function storedCapture(db: Database, id: string): Promise<StoredCapture | null> {
  const read = async () => (await db.select().from(captures).where(eq(captures.id, id)))[0];
  let row = await read();
  while (row) {
    const parts = await inTurns((limit, offset) => partsOf(db, id, { limit, offset }));
    const now = await read();
    if (now?.madeAt.getTime() === row.madeAt.getTime()) {
      const head = captureHeadSchema.parse(row.head);
      return { ...rowOf(row, head.device), head, parts };
    }
    row = now;
  }
  return null;
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

function rowOf(row: Omit<typeof captures.$inferSelect, 'head' | 'analysis'>, device: string): CaptureRow {
  const { id, rigId, driver, madeAt, rows } = row;
  return { id, rigId, driver, device, madeAtMs: madeAt.getTime(), rows, ...kindSchema.parse(row) };
}
