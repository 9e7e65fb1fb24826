import 'server-only';
import { z } from 'zod';
import { ANALYSIS_VERSION } from '@/core/axes/analyseAxis';
import { AXIS_NAMES, type AxisName } from '@/core/axes/axes';
import type { Recording } from '@/core/axes/recording';
import { NOT_WHOLE, piecesOf } from '@/core/axes/sentCapture';
import { writeCaptureCsv } from '@/core/formats/captureCsv';
import { packColumns } from '@/core/formats/packedColumns';
import type { Problem } from '@/core/problem';
import { idSchema } from '@/core/text/line';
import { database } from '@/data/book';
import { yieldToEventLoop } from '@/data/yieldToEventLoop';
import {
  AlreadyKept,
  keepCapture,
  loadCapture,
  MissingParts,
  newestCapture,
  NoCapture,
  saveCapture,
  storeAnalysis,
  storedCapture,
} from '@/data/captures';
import { setRotationReminder } from '@/data/readiness';
import { write } from '@/data/write';
import { analysisOfStored } from '../read/readAxis';
import { bookChanged } from '../read/cachedUntilWrite';
import { combinationOfBrowser, contextIn } from '../read/requestContext';
import { NO_RIG, notWritten } from './command';
import { receiveRecording, refuse } from './receiveBody';

const NO_CAPTURE = { code: 'no-capture', message: 'There is none.', place: {}, remedy: 'Record one first.' };
const ALREADY_KEPT: Problem = {
  code: 'already-kept',
  message: 'This capture is kept already; another window went on with it.',
  place: {},
  remedy: 'Reload the page, and start a new capture for another one.',
};

/**
 * Takes the newest samples of a capture as packed columns, `t` and one per axis. A draft is taken as it is; one to keep
 * must stand up to analysis, and where it does not it stays a draft and the reasons are sent back.
 */
export async function acceptCapture(request: Request): Promise<Response> {
  const asked = await combinationOfBrowser();
  const received = await receiveRecording(request, 'takeCapture');
  if (!received.ok) return refuse(received.problems);
  const { id, axis, status, origin, capture, part: whole } = received.value;
  const { fromRow } = whole;
  const book = await database();
  try {
    const here = await contextIn(book, asked);
    if (!here) return refuse([NO_RIG], 409);
    const { rigId, driver } = here.combination;
    // A long one is written piece by piece, as a guided one comes: nobody waits for all of it.
    for (const { part, head } of piecesOf(whole, capture, PIECE_ROWS)) {
      const piece = { id, axis, origin, status: 'draft' as const, rigId, driver, head, part };
      await write(book, (inside) => saveCapture(inside, piece));
      await yieldToEventLoop();
    }
    if (status === 'kept') return await keep(id, axis, rigId);
    // A draft that grows changes nothing that is shown, but that there is one.
    if (fromRow === 0) bookChanged();
    return Response.json({ ok: true });
  } catch (error) {
    // The answer to the last part may have been lost on its way.
    const isAgain =
      error instanceof AlreadyKept && status === 'kept' && fromRow + whole.t.length === error.rows;
    if (isAgain) return Response.json({ ok: true });
    if (error instanceof AlreadyKept)
      return Response.json({ ok: false, isKept: true, problems: [ALREADY_KEPT] }, { status: 409 });
    if (error instanceof NoCapture) return refuse([error.problem]);
    if (!(error instanceof MissingParts)) return refuse([notWritten(error)], 507);
    return Response.json({ ok: false, knownRows: error.knownRows, problems: [NOT_WHOLE] }, { status: 409 });
  }
}

/** About one part of samples (`data/samples.ts`) with all axes of a rig: a page waits for one at a time. */
const PIECE_ROWS = 5000;

/** A draft that stands up to analysis is kept for good. */
async function keep(id: string, axis: AxisName, rigId: string): Promise<Response> {
  const book = await database();
  const whole = await storedCapture(book, id);
  if (!whole) return refuse([NO_CAPTURE], 409);
  const analysis = await analysisOfStored(whole);
  const isKept =
    analysis.ok &&
    (await write(book, async (inside) => {
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
  const recording: Recording = {
    ...kept.recording,
    axes: { [kept.axis]: kept.recording.axes[kept.axis]! },
    startedMs: kept.madeAtMs,
  };
  return new Response(writeCaptureCsv(recording), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="${kept.axis}.capture.csv"`,
    },
  });
}

async function newest(request: Request, status: 'draft' | 'kept') {
  const book = await database();
  const here = await contextIn(book, await combinationOfBrowser());
  const axis = z.enum(AXIS_NAMES).safeParse(new URL(request.url).searchParams.get('axis') ?? 'brake');
  if (!here || !axis.success) return null;
  const { rigId, driver } = here.combination;
  return newestCapture(book, { rigId, axis: axis.data, driver }, status);
}
