import { sortedQuantile } from '../numeric/order';
import { clipEvents, type ForceSignal } from './clipEvents';

/** The peak that the first school keeps. */
const KEPT = 0.9999;
/** What the other school gives away: of the time, sustained and of any kind. */
const MOST_SUSTAINED = 0.002;
const MOST_CLIPPED = 0.02;
/** No gain above this is looked for: such a signal is not in units of full scale. */
const MOST_GAIN = 100;

export interface BestGains {
  /** Factor on the signal as logged that keeps its P99.99 under the clip; `null` where there is no force. */
  keepEveryPeak: number | null;
  /** The greatest factor before the big hits cost too much. */
  tradeBiggestHits: number | null;
}

/** Decimals that a multiple of a step is written with. */
function onGrid(k: number, step: number): number {
  return Number((k * step).toPrecision(12));
}

/**
 * Both schools' gain on multiples of `step`, never rounded up.
 * @param sorted |Σ| in rising order
 */
export function bestGains(signal: ForceSignal, sorted: Float64Array, step: number): BestGains {
  const peak = sortedQuantile(sorted, KEPT);
  if (!(sorted.at(-1)! * MOST_GAIN >= 1)) return { keepEveryPeak: null, tradeBiggestHits: null };
  const keep = Math.min(MOST_GAIN, 1 / peak);
  return {
    keepEveryPeak: onGrid(Math.floor(keep / step + 1e-9), step),
    tradeBiggestHits: tradeGain(signal, sorted, step),
  };
}

function tradeGain(signal: ForceSignal, sorted: Float64Array, step: number): number {
  // The greatest multiple that leaves even the highest peak under the clip.
  const atPeak = Math.ceil(1 / sorted.at(-1)! / step - 1e-9) - 1;
  const most = Math.floor(MOST_GAIN / step + 1e-9);
  const isWorthIt = worthIt(signal, sorted);
  let k = Math.max(0, Math.min(atPeak, most));
  while (k + 1 <= most && isWorthIt(onGrid(k + 1, step))) k++;
  return onGrid(k, step);
}

/** Whether a gain costs no more than the second school gives away. */
function worthIt(signal: ForceSignal, sorted: Float64Array): (gain: number) => boolean {
  const { level } = signal;
  const n = level.length;
  // More rows than this clipped is too many at any gain: only they can decide.
  const allowed = Math.floor(MOST_CLIPPED * n);
  const rows = rowsFrom(level, sorted[Math.max(0, n - 1 - allowed)]!);
  return (gain) => {
    let clipped = 0;
    let sustained = 0;
    for (const event of clipEvents(signal, gain, rows)) {
      clipped += event.clipped;
      if (event.kind === 'sustained') sustained += event.clipped;
    }
    return clipped <= MOST_CLIPPED * n && sustained <= MOST_SUSTAINED * n;
  };
}

export type ClippingSchool = 'none' | 'trade';

/** A signal before the gain, with its levels in rising order. */
export interface SortedSignal {
  signal: ForceSignal;
  sorted: Float64Array;
}

/**
 * The last of rising gains that a school still takes.
 * @param at the signal at a gain: the same one at all of them, or where not all of it is scaled one for each
 * @returns its index; −1 where even the first is too much
 */
export function lastGain(
  at: (gain: number) => SortedSignal,
  gains: readonly number[],
  school: ClippingSchool,
): number {
  let known: { of: SortedSignal; takes(gain: number): boolean } | null = null;
  const takes = (gain: number) => {
    const of = at(gain);
    if (known?.of !== of) known = { of, takes: takesOf(of, school) };
    return known.takes(gain);
  };
  let last = -1;
  while (last + 1 < gains.length && takes(gains[last + 1]!)) last++;
  return last;
}

function takesOf({ signal, sorted }: SortedSignal, school: ClippingSchool): (gain: number) => boolean {
  if (school === 'trade') return worthIt(signal, sorted);
  const peak = sortedQuantile(sorted, KEPT);
  return (gain) => gain * peak <= 1;
}

/** Rows of at least a level, in order. */
function rowsFrom(level: Float64Array, least: number): Int32Array {
  const rows: number[] = [];
  for (let i = 0; i < level.length; i++) if (level[i]! >= least) rows.push(i);
  return Int32Array.from(rows);
}
