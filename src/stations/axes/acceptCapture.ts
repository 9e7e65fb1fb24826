import 'server-only';
import { z } from 'zod';
import { ANALYSIS_VERSION, analyseAxis, type AxisAnalysis } from '@/core/axes/analyseAxis';
import { captureFault, captureHeadSchema, type CaptureHead } from '@/core/axes/checkCapture';
import { AXIS_NAMES, type AxisName, type Recording } from '@/core/axes/recording';
import { writeCaptureCsv } from '@/core/formats/captureCsv';
import { packColumns } from '@/core/formats/packedColumns';
import { schemaProblem } from '@/core/formats/schemaProblem';
import { fail, succeed, type Outcome, type Problem } from '@/core/problem';
import { MOST_ROWS } from '@/core/rides/clock';
import { idSchema } from '@/core/text/line';
import { database } from '@/data/book';
import { breath } from '@/data/breath';
import {
  AlreadyKept,
  keepCapture,
  loadCapture,
  MissingParts,
  newestCapture,
  NoCapture,
  saveCapture,
  storeAnalysis,
  type CapturePart,
  type StoredCapture,
} from '@/data/captures';
import { openCombination } from '@/data/combination';
import { setRotationReminder } from '@/data/readiness';
import { askWorker } from '@/data/serverWorker';
import { write } from '@/data/write';
import { bookChanged } from '../bookChanged';
import { notWritten } from '../command';
import { receiveColumns, refuse } from '../receive';

const headSchema = z.strictObject({
  id: idSchema,
  axis: z.enum(AXIS_NAMES),
  status: z.enum(['draft', 'kept']),
  origin: z.enum(['guided', 'file']),
  /** Row of the whole recording at which these samples begin. */
  fromRow: z.number().int().min(0).max(MOST_ROWS),
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
  if (!head.success) return refuse(head.error.issues.slice(0, 3).map(schemaProblem));
  const columns = partColumns(received.value.columns);
  if (!columns.ok || !columns.value.axes[head.data.axis]) return refuse([NOT_WHOLE]);
  const db = await database();
  const { id, axis, status, origin, fromRow, capture } = head.data;
  const rows = columns.value.t.length;
  try {
    const scope = await openCombination(db);
    if (!scope) return refuse([NO_RIG], 409);
    const { rigId, driver } = scope;
    // A long one is written piece by piece, as a guided one comes: nobody waits for all of it.
    for (const { part, head: known } of piecesOf(fromRow, columns.value, capture, axis)) {
      const piece = { id, axis, origin, status: 'draft' as const, rigId, driver, head: known, part };
      await write(db, (inside) => saveCapture(inside, piece));
      await breath();
    }
    if (status === 'kept') return await keep(id, axis, rigId);
    // A draft that grows changes nothing that is shown, but that there is one.
    if (fromRow === 0) bookChanged();
    return Response.json({ ok: true });
  } catch (error) {
    // The answer to the last part may have been lost on its way.
    const isAgain = error instanceof AlreadyKept && status === 'kept' && fromRow + rows === error.rows;
    if (isAgain) return Response.json({ ok: true });
    if (error instanceof AlreadyKept)
      return Response.json({ ok: false, isKept: true, problems: [ALREADY_KEPT] }, { status: 409 });
    if (error instanceof NoCapture) return refuse([error.problem]);
    if (!(error instanceof MissingParts)) return refuse([notWritten(error)], 507);
    return Response.json({ ok: false, knownRows: error.knownRows, problems: [NOT_WHOLE] }, { status: 409 });
  }
}

const PIECE_ROWS = 20_000;

/** The samples of a part in pieces, each with the phases as far as it goes. One that is wrong somewhere is one piece, and refused as a whole. */
function* piecesOf(
  fromRow: number,
  { t, axes }: { t: Float64Array; axes: Partial<Record<AxisName, Float64Array>> },
  head: CaptureHead,
  axis: AxisName,
): Generator<{ part: CapturePart; head: CaptureHead }> {
  const whole = captureFault({ ...head, t, axes, runs: shifted(head.runs, fromRow) }, [axis]) === null;
  const step = whole ? PIECE_ROWS : Math.max(1, t.length);
  for (let from = 0; from === 0 || from < t.length; from += step) {
    const to = Math.min(t.length, from + step);
    const some = Object.entries(axes).map(([name, column]) => [name, column.slice(from, to)] as const);
    const runs = head.runs.filter((run) => run.from < fromRow + to);
    yield {
      part: { fromRow: fromRow + from, t: t.slice(from, to), axes: Object.fromEntries(some) },
      head: { ...head, runs: to === t.length ? head.runs : cutAt(runs, fromRow + to) },
    };
  }
}

const cutAt = (runs: CaptureHead['runs'], end: number) =>
  runs.map((run) => ({ ...run, to: Math.min(run.to, end) }));

/** Phases counted from a row on. */
const shifted = (runs: CaptureHead['runs'], fromRow: number) =>
  runs
    .filter(({ to }) => to > fromRow)
    .map(({ label, from, to }) => ({ label, from: Math.max(0, from - fromRow), to: to - fromRow }));

/** A draft that stands up to analysis is kept for good. */
async function keep(id: string, axis: AxisName, rigId: string): Promise<Response> {
  const db = await database();
  const whole = await loadCapture(db, id);
  if (!whole) return refuse([NO_CAPTURE], 409);
  const analysis = await analysisOf(whole, axis);
  const isKept =
    analysis.ok &&
    (await write(db, async (inside) => {
      if (!(await keepCapture(inside, id, whole.madeAtMs))) return false;
      await storeAnalysis(inside, id, ANALYSIS_VERSION, analysis);
      if (axis === 'steering') await setRotationReminder(inside, rigId, null);
      return true;
    }));
  bookChanged();
  if (!analysis.ok) return refuse(analysis.problems, 422);
  return isKept ? Response.json({ ok: true }) : refuse([GONE_ON], 409);
}

const GONE_ON: Problem = {
  code: 'gone-on',
  message: 'Another window went on with this capture meanwhile.',
  place: {},
  remedy: 'Reload the page to see how far it is.',
};

/** From so many samples on somebody else would wait for the estimators. */
const LONG = 100_000;

async function analysisOf(
  { recording, rows }: StoredCapture,
  axis: AxisName,
): Promise<Outcome<AxisAnalysis>> {
  return rows < LONG
    ? analyseAxis(recording, axis)
    : askWorker<Outcome<AxisAnalysis>>((worker) => worker.analyse(recording, axis));
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
  const named = new URL(request.url).searchParams.get('id');
  const id = idSchema.safeParse(named);
  const kept = id.success
    ? await loadCapture(await database(), id.data)
    : named === null
      ? await newest(request, 'kept')
      : null;
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
