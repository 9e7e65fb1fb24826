import { splitLaps } from '../rides/laps';
import type { RideLog } from '../rides/rideLog';

/** A lap of an earlier ride, as it is driven along with: where it was so long after the line. */
export interface Ghost {
  /** What it took from line to line, s. */
  lapS: number;
  everyS: number;
  /** Distance from the line, and the place, m; one of each every so often. */
  distanceM: number[];
  x: number[];
  y: number[];
}

/** Ten places a second are enough to draw it, and few enough to send. */
const EVERY_S = 0.1;
/** A car that is slower stands at the line. */
const STANDS_MPS = 1;

/**
 * The quickest lap that counts of a ride, else the quickest whole one.
 * @returns `null` of a log that says no places, or holds no whole lap
 */
export function ghostOf(log: RideLog): Ghost | null {
  const { t_s: t, distance_m: distance, x_m: x, y_m: y, speed_mps: speed } = log.columns;
  if (!distance || !x || !y) return null;
  const whole = splitLaps(log).filter(({ timeS }) => timeS !== null);
  const counted = whole.filter((lap) => lap.counted);
  const [best] = (counted.length > 0 ? counted : whole).toSorted((a, b) => a.timeS! - b.timeS!);
  if (!best) return null;
  const { from, to, timeS } = best;
  // The first sample lies a little behind the line.
  const began = t[from]! - distance[from]! / Math.max(STANDS_MPS, speed?.[from] ?? STANDS_MPS);
  const ghost: Ghost = { lapS: timeS!, everyS: EVERY_S, distanceM: [], x: [], y: [] };
  let i = from;
  for (let k = 0; k * EVERY_S <= timeS!; k++) {
    const at = began + k * EVERY_S;
    while (i + 1 < to - 1 && t[i + 1]! <= at) i++;
    const share = i + 1 < to ? (at - t[i]!) / (t[i + 1]! - t[i]!) : 0;
    const between = (of: Float64Array) => (i + 1 < to ? of[i]! + share * (of[i + 1]! - of[i]!) : of[i]!);
    ghost.distanceM.push(between(distance));
    ghost.x.push(between(x));
    ghost.y.push(between(y));
  }
  return ghost;
}

/** Where a ghost is, and which way it goes, rad. */
export interface GhostPlace {
  atM: number;
  x: number;
  y: number;
  heading: number;
}

/** Where it is so long after the line; `null` before it and after its end. */
export function ghostAt({ everyS, distanceM, x, y }: Ghost, lapS: number): GhostPlace | null {
  const k = Math.floor(lapS / everyS);
  if (lapS < 0 || k + 1 >= x.length) return null;
  const share = lapS / everyS - k;
  const at = (of: number[]) => of[k]! + share * (of[k + 1]! - of[k]!);
  return {
    atM: at(distanceM),
    x: at(x),
    y: at(y),
    heading: Math.atan2(y[k + 1]! - y[k]!, x[k + 1]! - x[k]!),
  };
}

/**
 * How much later than the ghost one is at a distance from the line, s; negative is sooner.
 * @returns `null` where the ghost never was
 */
export function behindGhost({ everyS, distanceM }: Ghost, atM: number, lapS: number): number | null {
  // Distances only grow along a lap: the last one that was come to before.
  let [low, high] = [0, distanceM.length - 1];
  if (!(atM >= distanceM[low]!) || atM > distanceM[high]!) return null;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (distanceM[middle]! <= atM) low = middle;
    else high = middle;
  }
  const apart = distanceM[high]! - distanceM[low]!;
  const share = apart > 0 ? (atM - distanceM[low]!) / apart : 0;
  return lapS - everyS * (low + share);
}
