import type { RideLog } from '../rides/rideLog';
import { wheelbaseOf, type CarSpec } from '../vehicle/carSpec';
import type { DrivenLap } from './drivenLaps';

/** What a road's shape is read from, the surest first. */
export const ROAD_SOURCES = ['position', 'yaw', 'steering'] as const;
export type RoadSource = (typeof ROAD_SOURCES)[number];

/** A lap as it was driven: distance from its start and curvature, at points of its own. */
export interface LapCurvature {
  s: Float64Array;
  /** 1/m, left positive. */
  curvature: Float64Array;
  speed: Float64Array;
}

/** Positions nearer to each other than this tell more of their rounding than of the road. */
const LEAST_CHORD_M = 1.5;
/** Below it a speed is no divisor. */
const SLOWEST_MPS = 1;
const RAD = Math.PI / 180;

/** The surest source of a road's shape that a log holds; `null` where it holds none. */
export function roadSource({ columns }: RideLog): RoadSource | null {
  if (columns.x_m && columns.y_m) return 'position';
  if (!columns.speed_mps) return null;
  return columns.yaw_radps ? 'yaw' : columns.steer_deg ? 'steering' : null;
}

/** Curvature of the line that was driven on a lap. */
export function lapCurvature(
  log: RideLog,
  lap: DrivenLap,
  source: RoadSource,
  car: CarSpec | null,
): LapCurvature {
  return source === 'position' ? byPosition(log, lap) : bySpeed(log, lap, source, car);
}

/** A chord of an arc heads as the arc does at its middle, whatever its radius: the headings are exact on corners. */
function byPosition({ columns }: RideLog, { from, to }: DrivenLap): LapCurvature {
  const [x, y] = [columns.x_m!, columns.y_m!];
  const kept = [from];
  for (let i = from + 1; i < to; i++) {
    const last = kept.at(-1)!;
    if (Math.hypot(x[i]! - x[last]!, y[i]! - y[last]!) >= LEAST_CHORD_M) kept.push(i);
  }
  const n = Math.max(0, kept.length - 1);
  const [chord, heading] = [new Float64Array(n), new Float64Array(n)];
  for (let k = 0; k < n; k++) {
    const [dx, dy] = [x[kept[k + 1]!]! - x[kept[k]!]!, y[kept[k + 1]!]! - y[kept[k]!]!];
    chord[k] = Math.hypot(dx, dy);
    const turned = k === 0 ? 0 : Math.atan2(dy, dx) - heading[k - 1]!;
    heading[k] =
      k === 0 ? Math.atan2(dy, dx) : heading[k - 1]! + Math.atan2(Math.sin(turned), Math.cos(turned));
  }
  // Between two chords it bends; before the first and after the last it goes on as it does there.
  const lap = {
    s: new Float64Array(n + 1),
    curvature: new Float64Array(n + 1),
    speed: new Float64Array(n + 1),
  };
  for (let k = 1; k <= n; k++) lap.s[k] = lap.s[k - 1]! + chord[k - 1]!;
  for (let k = 1; k < n; k++)
    lap.curvature[k] = (heading[k]! - heading[k - 1]!) / ((chord[k]! + chord[k - 1]!) / 2);
  if (n > 1) [lap.curvature[0], lap.curvature[n]] = [lap.curvature[1]!, lap.curvature[n - 1]!];
  return lap;
}

function bySpeed(
  { columns }: RideLog,
  { from, to }: DrivenLap,
  source: 'yaw' | 'steering',
  car: CarSpec | null,
): LapCurvature {
  const { t_s: t, speed_mps: speed, yaw_radps: yaw, steer_deg: steer } = columns;
  const n = to - from;
  const lap = { s: new Float64Array(n), curvature: new Float64Array(n), speed: new Float64Array(n) };
  for (let k = 0; k < n; k++) {
    const i = from + k;
    const v = speed![i]!;
    if (k > 0) lap.s[k] = lap.s[k - 1]! + ((v + speed![i - 1]!) / 2) * (t[i]! - t[i - 1]!);
    lap.speed[k] = v;
    lap.curvature[k] =
      source === 'yaw'
        ? yaw![i]! / Math.max(SLOWEST_MPS, v)
        : Math.tan((steer![i]! * RAD) / car!.steeringRatio) / wheelbaseOf(car!);
  }
  return lap;
}
