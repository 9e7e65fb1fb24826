import { captureGuide } from '@/core/axes/guide';
import { currentStep, freshGuide, type GuideRemark, type GuideState } from '@/core/axes/guideState';
import type { CaptureStep } from '@/core/axes/programme';
import type { AxisName } from '@/core/axes/axes';
import { unpackColumns, type PackedColumns } from '@/core/formats/packedColumns';
import type { Problem } from '@/core/problem';
import { sampleRecorder } from '@/devices/recorder';
import { axesOfSource, type DeviceSource, type SampleBatch } from '@/devices/source';
import type { SentAnswer } from '@/workers/postColumns';

/** What the screen shows of a capture under way; small, so that it may pass through React. */
export interface CaptureStatus {
  axis: AxisName;
  /** Index of the step, and the step; `null` once all are done. */
  at: number;
  step: CaptureStep | null;
  done: number;
  progress: number;
  remark: GuideRemark;
  /** Another axis that moves while this one lies still. */
  otherMoves: AxisName | null;
  isGone: boolean;
  saving: 'idle' | 'saving' | 'kept' | 'refused';
  problems: Problem[];
}

const PAUSE_AFTER_RESUME_S = 1;
const SHOWN_PROGRESS_STEPS = 20;
/** A long step is sent in parts of this many seconds: that much is lost at most when the machine stops. */
const PART_S = 5;
/** Another axis has moved when it has passed over this share of its range since the step began. */
const OTHER_MOVED = 0.4;

export interface SessionListener {
  onStatus(status: CaptureStatus): void;
  /** A new step, said at once, before the next sample is asked for. */
  onStep(step: CaptureStep | null, axis: AxisName): void;
}

/**
 * A guided capture of one axis: samples from a device, led by the guide, sent to the server part by part as a draft and
 * kept for good at the end. The other axes of the device are recorded beside it.
 * @param post sends a part and gives the server's answer
 */
export function captureSession(
  source: DeviceSource,
  start: { axis: AxisName; steps: CaptureStep[] } | Resumed,
  { onStatus, onStep }: SessionListener,
  post: (packed: PackedColumns) => Promise<SentAnswer>,
) {
  const resumed = 'id' in start ? start : null;
  const state = 'id' in start ? start.guide : freshGuide(start.axis, start.steps);
  const axis = state.axis;
  const range = source.info.ranges[axis] ?? { min: 0, max: 1 };
  let id: string = resumed?.id ?? crypto.randomUUID();
  const writer = crypto.randomUUID();
  const recorded = [axis, ...axesOfSource(source).filter((name) => name !== axis)];
  const recorder = sampleRecorder(resumed ? (Object.keys(resumed.axes) as AxisName[]) : recorded);
  const guide = captureGuide({ rangeMin: range.min, rangeMax: range.max }, state);
  // Some devices say less of their range than they send: what came counts.
  const seen = { ...range };
  const record = (t: number, row: ArrayLike<number>, raw: number) => {
    recorder.push(t, row);
    seen.min = Math.min(seen.min, raw);
    seen.max = Math.max(seen.max, raw);
  };
  resumed?.t.forEach((t, i) =>
    record(
      t,
      recorder.axes.map((name) => resumed.axes[name]![i]!),
      resumed.axes[axis]![i]!,
    ),
  );
  const others = watchOthers(source, axis);

  let offset: number | null = resumed ? null : 0;
  let saving: CaptureStatus['saving'] = 'idle';
  let problems: Problem[] = [];
  let queue = Promise.resolve();
  let sentRows = resumed ? recorder.length : 0;
  let accepted = acceptedOf(guide.state);
  let sentAt = guide.state.lastT ?? 0;
  let saidAt: number | null = null;
  let isClosed = false;

  const sayStep = () => {
    if (guide.state.at === saidAt) return;
    saidAt = guide.state.at;
    others.reset();
    onStep(currentStep(guide.state), axis);
  };

  let told = '';
  /** Tells the screen what changed; samples come a hundred times more often than anything to say. */
  const tell = () => {
    if (isClosed) return;
    const progress = Math.round(guide.progress() * SHOWN_PROGRESS_STEPS) / SHOWN_PROGRESS_STEPS;
    const { at, peaks, remark } = guide.state;
    const step = currentStep(guide.state);
    const status: CaptureStatus = {
      axis,
      at,
      step,
      done: peaks.length,
      progress,
      remark,
      otherMoves: step && peaks.length === 0 && !guide.state.stroke ? others.moved() : null,
      isGone: source.state === 'gone',
      saving,
      problems,
    };
    const news = JSON.stringify(status);
    if (news === told) return;
    told = news;
    onStatus(status);
  };

  const send = async (status: 'draft' | 'kept'): Promise<void> => {
    const fromRow = sentRows;
    const toRow = recorder.length;
    const part = recorder.rows(fromRow, toRow);
    const capture = {
      device: source.info.label,
      rangeMin: seen.min,
      rangeMax: seen.max,
      rateHz: source.info.rateHz,
      runs: guide.state.runs,
      guide: guide.state,
      writer,
    };
    const answer = await post({
      head: { id, axis, status, origin: 'guided', fromRow, capture },
      columns: { t: part.t, ...part.axes },
    });
    const reply = answer.reply as {
      ok: boolean;
      knownRows?: number;
      isKept?: boolean;
      problems?: Problem[];
    };
    if (reply.knownRows !== undefined) {
      // The book holds less than was sent (it was put back, or the server lost its last moments), or what another window
      // sent: from there again.
      sentRows = reply.knownRows;
      return send(status);
    }
    if (reply.isKept) {
      // Another window has finished this draft: what was recorded here is a capture of its own.
      id = crypto.randomUUID();
      sentRows = 0;
      return send(status);
    }
    if (reply.ok || answer.status === 422) sentRows = toRow;
    problems = reply.problems ?? [];
    if (status === 'kept') saving = reply.ok ? 'kept' : 'refused';
  };
  const save = (status: 'draft' | 'kept') => {
    if (status === 'kept') saving = 'saving';
    sentAt = guide.state.lastT ?? 0;
    queue = queue
      .then(() => send(status))
      .catch(() => {
        problems = [OFFLINE];
        if (status === 'kept') saving = 'refused';
      })
      .then(tell);
  };
  const afterSamples = () => {
    sayStep();
    const now = acceptedOf(guide.state);
    const isLong = (guide.state.lastT ?? 0) - sentAt > PART_S;
    if (now === accepted && !isLong) return;
    accepted = now;
    save(currentStep(guide.state) ? 'draft' : 'kept');
  };
  const take = (batch: SampleBatch) => {
    const raw = batch.axes[axis];
    if (!raw || !currentStep(guide.state)) return;
    others.look(batch);
    const row = new Float64Array(recorder.axes.length);
    for (let i = 0; i < raw.length && currentStep(guide.state); i++) {
      offset ??= guide.state.lastT === null ? 0 : guide.state.lastT + PAUSE_AFTER_RESUME_S - batch.t[i]!;
      const t = batch.t[i]! + offset;
      recorder.axes.forEach((name, k) => (row[k] = batch.axes[name]?.[i] ?? row[k]!));
      if (guide.feed(t, raw[i]!)) record(t, row, raw[i]!);
      sayStep();
    }
    afterSamples();
    tell();
  };
  const stop = source.subscribe({
    samples: take,
    state(next) {
      if (next === 'gone') {
        guide.interrupt({ kind: 'unplugged' });
        save('draft');
      }
      tell();
    },
  });
  sayStep();
  tell();
  return {
    accept() {
      guide.accept();
      afterSamples();
      tell();
    },
    redo() {
      guide.redo();
      tell();
    },
    /** Tries to keep a finished capture again. */
    keep: () => save(currentStep(guide.state) ? 'draft' : 'kept'),
    recorder,
    state: guide.state,
    range,
    /** Ends the session; a capture that is not finished stays as a draft. */
    close() {
      stop();
      if (currentStep(guide.state) && recorder.length > 0) save('draft');
      isClosed = true;
      return queue;
    },
  };
}

export type CaptureSession = ReturnType<typeof captureSession>;

const OFFLINE: Problem = {
  code: 'server-away',
  message: 'The server does not answer.',
  place: {},
  remedy: 'The recording is still here: start the server again, then press Keep.',
};

/** The recording is whole, and only the server was not there to take it. */
export function isAway(problems: Problem[]): boolean {
  return problems.some(({ code }) => code === OFFLINE.code);
}

function acceptedOf(state: GuideState): string {
  return `${state.at}:${state.peaks.length}`;
}

/** Which other axis moves: somebody may be pressing the wrong pedal. */
function watchOthers(source: DeviceSource, axis: AxisName) {
  const names = axesOfSource(source).filter((name) => name !== axis && name !== 'gear');
  let extent: Partial<Record<AxisName, { low: number; high: number }>> = {};
  return {
    reset() {
      extent = {};
    },
    look(batch: SampleBatch) {
      for (const name of names) {
        const column = batch.axes[name];
        const last = column?.[column.length - 1];
        if (last === undefined) continue;
        const known = (extent[name] ??= { low: last, high: last });
        known.low = Math.min(known.low, last);
        known.high = Math.max(known.high, last);
      }
    },
    moved(): AxisName | null {
      return (
        names.find((name) => {
          const range = source.info.ranges[name]!;
          const known = extent[name];
          return known && known.high - known.low > OTHER_MOVED * (range.max - range.min);
        }) ?? null
      );
    },
  };
}

/** A draft as it comes back: its guide's memory and what was recorded. */
export interface Resumed {
  id: string;
  guide: GuideState;
  t: Float64Array;
  axes: Partial<Record<AxisName, Float64Array>>;
}

/** The open draft of an axis, to go on from; `null` where there is none that fits. */
export async function loadDraft(axis: AxisName): Promise<Resumed | null> {
  const answer = await fetch(`/api/captures/draft?axis=${axis}`);
  if (!answer.ok) return null;
  const unpacked = unpackColumns(new Uint8Array(await answer.arrayBuffer()));
  if (!unpacked.ok) return null;
  const { head, columns } = unpacked.value;
  const { id, guide } = head as { id: string; guide: GuideState | null };
  const { t, ...axes } = columns;
  return guide && t && guide.axis === axis ? { id, guide, t, axes } : null;
}
