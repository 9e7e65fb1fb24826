import { z } from 'zod';
import { receivedColumns } from '../formats/receivedColumns';
import { fail, succeed, type Outcome, type Problem } from '../problem';
import { MOST_ROWS } from '../rides/clock';
import { idSchema } from '../text/line';
import { captureFault, captureHeadSchema, type CaptureHead } from './checkCapture';
import { AXIS_NAMES, type AxisName } from './axes';

const headSchema = z.strictObject({
  id: idSchema,
  axis: z.enum(AXIS_NAMES),
  status: z.enum(['draft', 'kept']),
  origin: z.enum(['guided', 'file']),
  /** Row of the whole recording at which these samples begin. */
  fromRow: z.number().int().min(0).max(MOST_ROWS),
  capture: captureHeadSchema,
});

/** Samples that follow those sent before: time, and a column per axis. */
export interface CapturePart {
  fromRow: number;
  t: Float64Array;
  axes: Partial<Record<AxisName, Float64Array>>;
}

/** The newest samples of a capture, as whoever records it sends them. */
export type SentCapture = Omit<z.output<typeof headSchema>, 'fromRow'> & { part: CapturePart };

export const NOT_WHOLE: Problem = {
  code: 'bad-capture',
  message: 'The capture is not whole.',
  place: {},
  remedy: 'Record it again.',
};

/** Takes samples of a capture apart that were sent as packed columns, `t` and one per axis, and judges them. */
export function takeCapture(packed: Uint8Array): Outcome<SentCapture> {
  const received = receivedColumns(packed, headSchema);
  if (!received.ok) return received;
  const { t, ...axes } = received.value.columns;
  const { fromRow, ...head } = received.value.head;
  const areKnown = Object.entries(axes).every(
    ([name, column]) => (AXIS_NAMES as readonly string[]).includes(name) && column.length === t?.length,
  );
  if (!t || !areKnown || !axes[head.axis]) return fail(NOT_WHOLE);
  const part = { fromRow, t, axes };
  const fault = partFault(part, head.capture, head.axis);
  return fault ? fail(fault) : succeed({ ...head, part });
}

/** What is wrong with a part by itself; whether it joins those before it, the book knows. */
export function partFault(
  { fromRow, t, axes }: CapturePart,
  head: CaptureHead,
  axis: AxisName,
): Problem | null {
  const end = fromRow + t.length;
  const covered = head.runs.at(-1)?.to ?? 0;
  if (covered !== end)
    return {
      code: 'runs-do-not-cover',
      message: `The phases cover ${covered} of ${end} samples.`,
      place: {},
      remedy: 'Record it again.',
    };
  const runs = head.runs
    .filter(({ to }) => to > fromRow)
    .map(({ label, from, to }) => ({ label, from: Math.max(0, from - fromRow), to: to - fromRow }));
  return captureFault({ ...head, t, axes, runs }, [axis], (i) => fromRow + i + 1);
}

/** A part in pieces of so many rows, each with the phases as far as it goes. */
export function* piecesOf(
  { fromRow, t, axes }: CapturePart,
  head: CaptureHead,
  rows: number,
): Generator<{ part: CapturePart; head: CaptureHead }> {
  for (let from = 0; from === 0 || from < t.length; from += rows) {
    const to = Math.min(t.length, from + rows);
    const some = Object.entries(axes).map(([name, column]) => [name, column.slice(from, to)] as const);
    const end = fromRow + to;
    const runs = head.runs
      .filter((run) => run.from < end)
      .map((run) => ({ ...run, to: Math.min(run.to, end) }));
    yield {
      part: { fromRow: fromRow + from, t: t.slice(from, to), axes: Object.fromEntries(some) },
      head: { ...head, runs },
    };
  }
}
