import { lastWholeLap } from '../rides/laps';
import type { RideLog } from '../rides/rideLog';

/** A lap from above, as the log has its places. */
export interface LapOutline {
  lengthM: number;
  closed: boolean;
  points: [number, number][];
}

/** A point every so many metres; more would not be seen. */
const EVERY_M = 10;
/** A lap ends where it began within this. */
const SAME_PLACE_M = 40;

/** Where the last whole lap of a log went; `null` where it has no places or no distance. */
export function lapOutline({ columns }: RideLog): LapOutline | null {
  const { x_m: x, y_m: y, distance_m: distance, lap } = columns;
  if (!x || !y || !distance || distance.length < 2) return null;
  const last = lap ? lastWholeLap(lap) : 0;
  const points: [number, number][] = [];
  let lengthM = 0;
  for (let i = 0; i < distance.length; i++) {
    if (lap && lap[i] !== last) continue;
    lengthM = Math.max(lengthM, distance[i]!);
    // Points stand at even distances: what is drawn on them is found by its distance.
    while (points.length <= distance[i]! / EVERY_M) points.push([x[i]!, y[i]!]);
  }
  if (points.length < 3) return null;
  const [first, end] = [points[0]!, points.at(-1)!];
  return { lengthM, closed: Math.hypot(end[0] - first[0], end[1] - first[1]) < SAME_PLACE_M, points };
}
