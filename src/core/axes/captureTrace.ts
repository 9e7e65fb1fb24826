import type { AxisAnalysis } from './analyseAxis';
import { travelOf } from './calibration';
import type { AxisName } from './axes';
import type { PhaseRun, Recording } from './recording';
import { steeringDegrees } from './steeringAngle';

/** A recording small enough to draw: least and greatest value of each slice of time. */
export interface CaptureTrace {
  t: number[];
  /** Travel 0…1 for pedals, degrees (left positive) for the steering, raw readings for a shifter. */
  value: number[];
  phases: { label: string; fromS: number; toS: number }[];
}

const SLICES = 700;

export function captureTrace(recording: Recording, axis: AxisName, analysis: AxisAnalysis): CaptureTrace {
  const raw = recording.axes[axis]!;
  const read = reader(analysis);
  const { t } = recording;
  const trace: CaptureTrace = { t: [], value: [], phases: phasesOf(recording.runs, t) };
  const size = Math.max(2, Math.ceil(raw.length / SLICES));
  for (let from = 0; from < raw.length; from += size) {
    const to = Math.min(raw.length, from + size);
    let low = from;
    let high = from;
    for (let i = from; i < to; i++) {
      if (raw[i]! < raw[low]!) low = i;
      if (raw[i]! > raw[high]!) high = i;
    }
    for (const i of low < high ? [low, high] : low > high ? [high, low] : [low]) {
      trace.t.push(t[i]!);
      trace.value.push(read(raw[i]!));
    }
  }
  return trace;
}

function reader(analysis: AxisAnalysis): (raw: number) => number {
  if (analysis.axis === 'gear') return (raw) => raw;
  if (analysis.axis === 'steering') return (raw) => steeringDegrees(analysis, raw);
  return (raw) => travelOf(analysis.calibration, raw);
}

/** Neighbouring repeats of one phase, with `idle` between, as one band. */
function phasesOf(runs: PhaseRun[], t: Float64Array): CaptureTrace['phases'] {
  const bands: CaptureTrace['phases'] = [];
  for (const run of runs) {
    if (run.label === 'idle') continue;
    const toS = t[run.to - 1]!;
    const last = bands.at(-1);
    if (last && last.label === run.label) last.toS = toS;
    else bands.push({ label: run.label, fromS: t[run.from]!, toS });
  }
  return bands;
}

/** How long a recording is, for a subtitle. */
export function captureLength(recording: Recording): number {
  return recording.t.length > 1 ? recording.t.at(-1)! - recording.t[0]! : 0;
}
