import { median } from '../numeric/order';
import type { AxisName } from './axes';

/** What a stretch of a capture can be: a word, or a word with the numbers that it was done at. */
export const PHASE_LABEL =
  /^(rest|cover|takeup|sweep|press|idle|flick|hold:[+-]?\d{1,4}(\.\d{1,3})?|gate:-?\d{1,2}|pendulum:\d{1,5}(\.\d{1,2})?@\d{1,4}(\.\d{1,2})?)$/;
export const PHASE_LABELS_IN_WORDS =
  'rest, cover, takeup, sweep, press, idle, hold:<degrees>, gate:<n>, flick, pendulum:<grams>@<millimetres>';

/** Samples `from` (included) to `to` (excluded) under one label. A repeat is a new run of the same label. */
export interface PhaseRun {
  label: string;
  from: number;
  to: number;
}

/**
 * A capture of raw axes: one `Float64Array` per axis beside `t`, and the phase each sample belongs to.
 * Everything here is plain data, so that it crosses worker, file and database boundaries unchanged.
 */
export interface Recording {
  /** Seconds, never falling; steps may be irregular. */
  t: Float64Array;
  runs: PhaseRun[];
  /** Raw counts as the host gave them. */
  axes: Partial<Record<AxisName, Float64Array>>;
  device: string;
  /** Least and greatest raw count that the device can report. */
  rangeMin: number;
  rangeMax: number;
  /** Nominal rate in Hz as noted by the source; `null` where the source did not say. */
  rateHz: number | null;
  /** When it was recorded, as its file says; `undefined` where it does not. */
  startedMs?: number;
  /** Raw counts of the steering for a degree to the left, as its file says; `undefined` where it does not. */
  countsPerDegree?: number;
  /** What the reader of a file had to leave open, as sentences. */
  remarks?: string[];
}

export function runsOf(recording: Recording, label: string): PhaseRun[] {
  return recording.runs.filter((run) => run.label === label);
}

/** The samples of several runs, one after the other. */
export function samplesOf(values: Float64Array, runs: PhaseRun[]): Float64Array {
  const out = new Float64Array(runs.reduce((sum, run) => sum + run.to - run.from, 0));
  let at = 0;
  for (const run of runs) {
    out.set(values.subarray(run.from, run.to), at);
    at += run.to - run.from;
  }
  return out;
}

/** Groups consecutive equal labels into runs. */
export function runsFromLabels(labels: ArrayLike<string>): PhaseRun[] {
  const runs: PhaseRun[] = [];
  for (let i = 0; i < labels.length; i++) {
    const last = runs.at(-1);
    if (last && last.label === labels[i]) last.to = i + 1;
    else runs.push({ label: labels[i]!, from: i, to: i + 1 });
  }
  return runs;
}

/** A clock that goes on by less than this stands: no device samples ten million times a second. */
export const LEAST_STEP_S = 1e-7;

/** Rate in Hz from the median step of `t`, which a few gaps do not disturb; 0 with fewer than two samples. */
export function measuredRate(t: Float64Array): number {
  if (t.length < 2) return 0;
  const steps = new Float64Array(t.length - 1);
  for (let i = 1; i < t.length; i++) steps[i - 1] = t[i]! - t[i - 1]!;
  const step = median(steps);
  return step >= LEAST_STEP_S ? 1 / step : 0;
}
