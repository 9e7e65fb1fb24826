import { median } from '../numeric/order';
import { SURFACES, type RideLog } from './rideLog';

export type WhyNot = 'out-lap' | 'in-lap' | 'off-track' | 'over-107';

/** One lap of a log, samples `from` (included) to `to` (excluded). */
export interface Lap {
  lap: number;
  from: number;
  to: number;
  /** `null` where the lap was not driven from line to line. */
  timeS: number | null;
  counted: boolean;
  /** Why the lap does not count. */
  why: WhyNot | null;
}

/** A lap that starts within this share of the lap's length of the line started at the line. */
const AT_LINE = 0.01;
/** A last lap that comes this far without another after it ended at the line. */
const WHOLE_LAP = 0.995;
/** Slower than this multiple of the best is traffic or a mistake, not the setting. */
const SLOWEST = 1.07;
/** A car that is slower stands: where it was a moment ago nobody can reckon back. */
const STANDS_MPS = 0.05;
const OFF_TRACK = SURFACES.indexOf('offtrack');

/**
 * Splits a ride at the line (from `lap`, else from resets of `distance_m`) and says which laps count: not the
 * out-lap, in-lap, laps off the track or over 107 % of the best.
 * @returns no laps where the log has neither column
 */
export function splitLaps(log: RideLog): Lap[] {
  const { t_s: t, distance_m: distance } = log.columns;
  if (!distance || t.length < 2) return [];
  const bounds = lapBounds(log);
  const length = lapLength(distance, bounds);
  const lineM = lineAt(log, bounds);
  const laps = bounds.slice(0, -1).map((from, k): Lap => {
    const to = bounds[k + 1]!;
    const isLast = to === t.length;
    const startsAtLine = k > 0 || distance[from]! <= AT_LINE * length;
    const endsAtLine = !isLast || distance[to - 1]! >= WHOLE_LAP * length;
    const why: WhyNot | null = !startsAtLine ? 'out-lap' : !endsAtLine ? 'in-lap' : leftTrack(log, from, to);
    const whole = startsAtLine && endsAtLine;
    const timeS = whole ? (isLast ? endOfLog(log, lineM) : crossing(log, to)) - crossing(log, from) : null;
    return { lap: log.columns.lap?.[from] ?? k, from, to, timeS, counted: why === null, why };
  });
  const best = Math.min(...laps.flatMap((lap) => (lap.counted ? [lap.timeS!] : [])));
  for (const lap of laps)
    if (lap.counted && lap.timeS! > SLOWEST * best) {
      lap.counted = false;
      lap.why = 'over-107';
    }
  return laps;
}

/** First sample of each lap, and the end of the log. */
function lapBounds({ columns: { t_s: t, lap, distance_m: distance } }: RideLog): number[] {
  const bounds = [0];
  for (let i = 1; i < t.length; i++) {
    const isNew = lap ? lap[i] !== lap[i - 1] : distance![i]! < distance![i - 1]! / 2;
    if (isNew) bounds.push(i);
  }
  return [...bounds, t.length];
}

/** The greatest distance that a typical finished lap reaches; with one lap only, what it reaches. */
function lapLength(distance: Float64Array, bounds: number[]): number {
  const reached = bounds.slice(1).map((to) => distance[to - 1]!);
  return reached.length > 1 ? median(reached.slice(0, -1)) : reached[0]!;
}

/** How far it is from line to line, read from where finished laps ended; `null` where none did. */
function lineAt(log: RideLog, bounds: number[]): number | null {
  const { t_s: t, distance_m: distance } = log.columns;
  const ends = bounds.slice(1, -1).map((at) => {
    const last = at - 1;
    return distance![last]! + speedAt(log, last) * Math.max(0, crossing(log, at) - t[last]!);
  });
  return ends.length > 0 ? median(ends) : null;
}

/** Between a sample and a neighbour of the same lap, where the log does not say it. */
function speedAt({ columns }: RideLog, at: number): number {
  const { t_s: t, distance_m: distance, speed_mps: speed } = columns;
  if (speed) return speed[at]!;
  const other = at + 1 < t.length && distance![at + 1]! > distance![at]! ? at + 1 : Math.max(0, at - 1);
  const took = t[other]! - t[at]!;
  return took === 0 ? 0 : (distance![other]! - distance![at]!) / took;
}

/** When the car crossed the line into the lap whose first sample is `at`, read back from that sample. */
function crossing(log: RideLog, at: number): number {
  const { t_s: t, distance_m: distance } = log.columns;
  const speed = speedAt(log, at);
  const sinceLine = speed > STANDS_MPS ? Math.max(0, distance![at]!) / speed : 0;
  const sinceSample = at > 0 ? t[at]! - t[at - 1]! : 0;
  return t[at]! - Math.min(sinceLine, at > 0 ? sinceSample : sinceLine);
}

/** When a log that ends at the line crossed it: within one sample of its last. */
function endOfLog(log: RideLog, lineM: number | null): number {
  const { t_s: t, distance_m: distance } = log.columns;
  const last = t.length - 1;
  const sample = t[last]! - t[last - 1]!;
  const speed = speedAt(log, last);
  if (lineM === null || !(speed > STANDS_MPS)) return t[last]! + sample;
  return t[last]! + Math.min(sample, Math.max(0, lineM - distance![last]!) / speed);
}

function leftTrack(log: RideLog, from: number, to: number): WhyNot | null {
  const surface = log.columns.surface?.subarray(from, to);
  return surface?.includes(OFF_TRACK) ? 'off-track' : null;
}

/** Number of the last lap that another one follows; where there is but one, of that. */
export function lastWholeLap(lap: Float64Array): number {
  const last = lap.at(-1) ?? 0;
  return lap.findLast((one) => one !== last) ?? last;
}
