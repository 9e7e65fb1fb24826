import { runningMedian } from '../numeric/order';

/** A window of 5 misses three-sample dropouts. */
const DESPIKE_WINDOW = 7;
/** A longer run off the median is movement, not a fault of the sensor. */
const LONGEST_RUN = 3;
const SPIKE_SIGMAS = 6;
const SPIKE_QUANTA = 2;
const SPIKE_SHARE_OF_SPAN = 0.005;
const SPIKE_STEPS = 3;
/** Samples on either side from which the local step is taken. */
const STEP_REACH = 6;
const DROPOUT_SHARE_OF_SPAN = 0.05;

export interface Despiked {
  /** The input with every spike and dropout sample replaced by the running median there. */
  clean: Float64Array;
  /** 1 where a sample was replaced. */
  replaced: Uint8Array;
  /** Index of the first sample of each run. */
  spikes: number[];
  dropouts: number[];
}

/**
 * Finds runs of at most 3 samples off the running median of 7 by more than
 * max(6σ, 2 quanta, 0.5 % of span, 3 × the local median step). A run that leaves by more than 5 % of span
 * and comes back is a dropout, any other a spike; no sample is both.
 * @param raw counts in time order @param sigma noise in counts @param span counts from released to pressed
 */
export function despike(
  raw: ArrayLike<number>,
  sigma: number,
  quantum: number | null,
  span: number,
): Despiked {
  const level = runningMedian(raw, DESPIKE_WINDOW);
  const clean = Float64Array.from(raw);
  const replaced = new Uint8Array(raw.length);
  const spikes: number[] = [];
  const dropouts: number[] = [];
  const fixed = Math.max(SPIKE_SIGMAS * sigma, SPIKE_QUANTA * (quantum ?? 0), SPIKE_SHARE_OF_SPAN * span);
  const off = (i: number) => Math.abs(raw[i]! - level[i]!);
  const isOff = (i: number) => off(i) > fixed && off(i) > SPIKE_STEPS * localStep(level, i);
  for (let from = 0; from < raw.length; from++) {
    if (!isOff(from)) continue;
    let to = from;
    let furthest = 0;
    while (to < raw.length && isOff(to)) furthest = Math.max(furthest, off(to++));
    if (to - from <= LONGEST_RUN) {
      (furthest > DROPOUT_SHARE_OF_SPAN * span ? dropouts : spikes).push(from);
      for (let i = from; i < to; i++) {
        clean[i] = level[i]!;
        replaced[i] = 1;
      }
    }
    from = to - 1;
  }
  return { clean, replaced, spikes, dropouts };
}

/** Median |step| of the running median around a sample: how fast the pedal itself moves there. */
function localStep(level: Float64Array, at: number): number {
  const steps: number[] = [];
  const to = Math.min(level.length - 1, at + STEP_REACH);
  for (let i = Math.max(1, at - STEP_REACH); i <= to; i++) steps.push(Math.abs(level[i]! - level[i - 1]!));
  steps.sort((a, b) => a - b);
  return steps[steps.length >> 1] ?? 0;
}
