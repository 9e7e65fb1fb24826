import { median } from '../numeric/order';
import type { RideLog } from './rideLog';
import { resample } from './overDistance';

/** Samples of a lap, `from` (included) to `to` (excluded). */
export interface LapSpan {
  from: number;
  to: number;
}

/** A driver's own line: the median of their laps at evenly spaced places. */
export interface MedianLine {
  x: Float64Array;
  y: Float64Array;
  stepM: number;
  laps: number;
}

/** A line is looked at this often, in metres; longer roads so much more coarsely that they have as many places. */
const STEP_M = 5;
const MOST_PLACES = 2000;

/** @returns `null` under two laps, or where the log does not say where the car was */
export function lineOf(
  { x_m: x, y_m: y, distance_m: distance }: RideLog['columns'],
  laps: readonly LapSpan[],
): MedianLine | null {
  if (!x || !y || !distance || laps.length < 2) return null;
  const length = Math.min(...laps.map(({ to }) => distance[to - 1]!));
  const places = Math.min(MOST_PLACES, Math.floor(length / STEP_M) + 1);
  if (!(places > 2)) return null;
  const stepM = length / (places - 1);
  const middle = (values: Float64Array) => {
    const lines = laps.map(({ from, to }) => resample(distance, values, from, to, stepM, places));
    return Float64Array.from({ length: places }, (_, i) => median(lines.map((line) => line[i]!)));
  };
  return { x: middle(x), y: middle(y), stepM, laps: laps.length };
}

/**
 * How far a lap lies beside the driver's own line: RMS over its places, across the line, m. A line of few laps lies nearer to
 * each of them than the true one: √(n/(n − 1)) makes up for that (exact for a mean).
 */
export function besideLine({ columns }: RideLog, { from, to }: LapSpan, line: MedianLine): number | null {
  const { x_m: x, y_m: y, distance_m: distance } = columns;
  if (!x || !y || !distance) return null;
  const places = line.x.length;
  const [lapX, lapY] = [x, y].map((values) => resample(distance, values, from, to, line.stepM, places));
  let sum = 0;
  let seen = 0;
  for (let i = 1; i < places - 1; i++) {
    const [dx, dy] = [line.x[i + 1]! - line.x[i - 1]!, line.y[i + 1]! - line.y[i - 1]!];
    const along = Math.hypot(dx, dy);
    if (!(along > 0)) continue;
    const across = ((lapY![i]! - line.y[i]!) * dx - (lapX![i]! - line.x[i]!) * dy) / along;
    sum += across * across;
    seen++;
  }
  return seen === 0 ? null : Math.sqrt((sum / seen) * (line.laps / (line.laps - 1)));
}
