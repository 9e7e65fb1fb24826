import type { RideColumn, RideLog } from './rideLog';
import { splitLaps } from './laps';

/** One channel over distance: the median of the counted laps at evenly spaced places. */
export interface DistanceTrace {
  stepM: number;
  values: Float64Array;
}

/**
 * Aligns the counted laps by distance (linear between samples) and takes the median at each place.
 * @returns `null` where no lap counts or the channel is missing
 */
export function medianOverDistance(log: RideLog, column: RideColumn, points = 800): DistanceTrace | null {
  const channel = log.columns[column];
  const distance = log.columns.distance_m;
  const laps = splitLaps(log).filter((lap) => lap.counted);
  if (!channel || !distance || laps.length === 0) return null;
  const length = Math.min(...laps.map((lap) => distance[lap.to - 1]!));
  const stepM = length / (points - 1);
  const aligned = laps.map((lap) => resample(distance, channel, lap.from, lap.to, stepM, points));
  const values = Float64Array.from({ length: points }, (_, i) => {
    const here = aligned.map((lap) => lap[i]!).sort((a, b) => a - b);
    const middle = here.length >> 1;
    return here.length % 2 ? here[middle]! : (here[middle - 1]! + here[middle]!) / 2;
  });
  return { stepM, values };
}

/** One lap's channel at `points` places that are `step` apart, from its own start. */
export function resample(
  x: Float64Array,
  y: Float64Array,
  from: number,
  to: number,
  step: number,
  points: number,
): Float64Array {
  const out = new Float64Array(points);
  let i = from;
  for (let k = 0; k < points; k++) {
    const at = k * step;
    while (i < to - 2 && x[i + 1]! < at) i++;
    if (i + 1 >= to) {
      // A lap of one sample has one value everywhere.
      out[k] = y[i]!;
      continue;
    }
    const gap = x[i + 1]! - x[i]!;
    const share = gap > 0 ? Math.min(1, Math.max(0, (at - x[i]!) / gap)) : 0;
    out[k] = y[i]! + (y[i + 1]! - y[i]!) * share;
  }
  return out;
}
