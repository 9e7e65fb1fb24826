import 'server-only';
import { z } from 'zod';
import { analyseAxis } from '@/core/axes/analyseAxis';
import { AXIS_NAMES, type AxisName, type Recording } from '@/core/axes/recording';
import { writeCaptureCsv } from '@/core/formats/captureCsv';
import { packColumns } from '@/core/formats/packedColumns';
import { fail, succeed, type Outcome, type Problem } from '@/core/problem';
import { database } from '@/data/book';
import {
  AlreadyKept,
  captureHeadSchema,
  keepCapture,
  loadCapture,
  MissingParts,
  newestCapture,
  saveCapture,
} from '@/data/captures';
import { openCombination } from '@/data/combination';
import { setRotationReminder } from '@/data/readiness';
import { bookChanged } from '../bookChanged';
import { receiveColumns, refuse } from '../receive';

const headSchema = z.strictObject({
  id: z.string().min(1).max(60),
  axis: z.enum(AXIS_NAMES),
  status: z.enum(['draft', 'kept']),
  origin: z.enum(['guided', 'file']),
  /** Row of the whole recording at which these samples begin. */
  fromRow: z.number().int().nonnegative(),
  capture: captureHeadSchema,
});

const NO_RIG = { code: 'no-rig', message: 'No rig is open.', place: {}, remedy: 'Choose a rig first.' };
const NO_CAPTURE = { code: 'no-capture', message: 'There is none.', place: {}, remedy: 'Record one first.' };
const ALREADY_KEPT: Problem = {
  code: 'already-kept',
  message: 'This capture is kept already; another window went on with it.',
  place: {},
  remedy: 'Reload the page, and start a new capture for another one.',
};
const NOT_WHOLE: Problem = {
  code: 'bad-capture',
  message: 'The capture is not whole.',
  place: {},
  remedy: 'Record it again.',
};

/**
 * Takes the newest samples of a capture as packed columns, `t` and one per axis. A draft is taken as it is; one to keep
 * must stand up to analysis, and where it does not it stays a draft and the reasons are sent back.
 */
export async function acceptCapture(request: Request): Promise<Response> {
  const received = await receiveColumns(request);
  if (!received.ok) return refuse(received.problems);
  const head = headSchema.safeParse(received.value.head);
  const columns = partColumns(received.value.columns);
  if (!head.success || !columns.ok || !columns.value.axes[head.data.axis]) return refuse([NOT_WHOLE]);
  const db = await database();
  const scope = await openCombination(db);
  if (!scope) return refuse([NO_RIG], 409);
  const { id, axis, status, origin, fromRow, capture } = head.data;
  const rows = columns.value.t.length;
  try {
    await saveCapture(db, {
      id,
      axis,
      origin,
      status: 'draft',
      rigId: scope.rigId,
      driver: scope.driver,
      head: capture,
      part: { fromRow, ...columns.value },
    });
  } catch (error) {
    // The answer to the last part may have been lost on its way.
    const isAgain = error instanceof AlreadyKept && status === 'kept' && fromRow + rows === error.rows;
    if (isAgain) return Response.json({ ok: true });
    if (error instanceof AlreadyKept)
      return Response.json({ ok: false, isKept: true, problems: [ALREADY_KEPT] }, { status: 409 });
    if (!(error instanceof MissingParts)) throw error;
    return Response.json({ ok: false, knownRows: error.knownRows, problems: [NOT_WHOLE] }, { status: 409 });
  }
  if (status === 'draft') {
    // A draft that grows changes nothing that is shown, but that there is one.
    if (fromRow === 0) bookChanged();
    return Response.json({ ok: true });
  }
  const whole = await loadCapture(db, id);
  const analysis = whole ? analyseAxis(whole.recording, axis) : fail(NO_CAPTURE);
  if (analysis.ok) {
    await keepCapture(db, id);
    if (axis === 'steering') await setRotationReminder(db, scope.rigId, null);
  }
  bookChanged();
  return analysis.ok ? Response.json({ ok: true }) : refuse(analysis.problems, 422);
}

function partColumns(
  columns: Record<string, Float64Array>,
): Outcome<{ t: Float64Array; axes: Partial<Record<AxisName, Float64Array>> }> {
  const { t, ...axes } = columns;
  const known = Object.entries(axes).every(
    ([name, column]) => (AXIS_NAMES as readonly string[]).includes(name) && column.length === t?.length,
  );
  return t && known ? succeed({ t, axes }) : fail(NOT_WHOLE);
}

/** The open draft of an axis with its guide's memory, to go on from. */
export async function sendDraft(request: Request): Promise<Response> {
  const draft = await newest(request, 'draft');
  if (!draft) return refuse([NO_CAPTURE], 404);
  const { recording, guide, id, axis } = draft;
  const packed = packColumns({ head: { id, axis, guide }, columns: { t: recording.t, ...recording.axes } });
  return new Response(new Uint8Array(packed), { headers: { 'content-type': 'application/octet-stream' } });
}

/** A kept capture as a `*.capture.csv`: the one with the `id`, else the newest of the `axis`. */
export async function sendCaptureFile(request: Request): Promise<Response> {
  const id = new URL(request.url).searchParams.get('id');
  const kept = id ? await loadCapture(await database(), id) : await newest(request, 'kept');
  if (!kept) return refuse([NO_CAPTURE], 404);
  // The other axes lay still meanwhile; a file of this axis alone can be analysed as it is.
  const recording: Recording = { ...kept.recording, axes: { [kept.axis]: kept.recording.axes[kept.axis]! } };
  return new Response(writeCaptureCsv(recording), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="${kept.axis}.capture.csv"`,
    },
  });
}

async function newest(request: Request, status: 'draft' | 'kept') {
  const db = await database();
  const scope = await openCombination(db);
  const axis = z.enum(AXIS_NAMES).safeParse(new URL(request.url).searchParams.get('axis') ?? 'brake');
  if (!scope || !axis.success) return null;
  return newestCapture(db, { rigId: scope.rigId, axis: axis.data, driver: scope.driver }, status);
}
