import { splitLaps } from '../rides/laps';
import type { RideLog } from '../rides/rideLog';

/** One drive along the whole road, samples `from` (included) to `to` (excluded); where laps follow on it ends on the next one's first. */
export interface DrivenLap {
  from: number;
  to: number;
}

export interface DrivenLaps {
  laps: DrivenLap[];
  /** Whether each lap went on from where the one before it ended. */
  followOn: boolean;
}

/** A car passes the same place within this, and heads within this of where it headed. */
const SAME_PLACE_M = 20;
const SAME_WAY_COS = 0.5;
/** A place counts as passed again only after so much of road. */
const SHORTEST_LAP_M = 100;
/** From one sample to the next a car's speed changes by no more than this; a greater jump is another start. */
const MOST_JUMP_MPS = 3;
const MOVES_MPS = 2;

/**
 * The laps of a log that a road can be read from: whole ones on the road, by the log's own count, else by passing the same
 * place again; the whole log where there are none.
 */
export function drivenLaps(log: RideLog): DrivenLaps {
  const whole = splitLaps(log).filter(({ timeS, why }) => timeS !== null && why !== 'off-track');
  if (whole.length > 0) {
    const followOn = follow(log);
    const end = (to: number) => (followOn ? Math.min(to + 1, log.columns.t_s.length) : to);
    return { laps: whole.map(({ from, to }) => ({ from, to: end(to) })), followOn };
  }
  const again = lapsByPlace(log);
  if (again.length > 0) return { laps: again, followOn: true };
  return { laps: [moving(log)], followOn: false };
}

/** Whether the car ran through the line without a jump. */
function follow(log: RideLog): boolean {
  const { speed_mps: speed, x_m: x, y_m: y } = log.columns;
  const lines = splitLaps(log)
    .slice(1)
    .map(({ from }) => from);
  if (lines.length === 0) return false;
  return lines.every((i) => {
    if (x && y && Math.hypot(x[i]! - x[i - 1]!, y[i]! - y[i - 1]!) > SAME_PLACE_M) return false;
    return !speed || Math.abs(speed[i]! - speed[i - 1]!) <= MOST_JUMP_MPS;
  });
}

/** Laps between two passes of one place, where the car first went at its median pace. */
function lapsByPlace({ columns: { x_m: x, y_m: y } }: RideLog): DrivenLap[] {
  if (!x || !y) return [];
  const n = x.length;
  const away = new Float64Array(n);
  for (let i = 1; i < n; i++) away[i] = away[i - 1]! + Math.hypot(x[i]! - x[i - 1]!, y[i]! - y[i - 1]!);
  // A tenth into the log the car is under way, and the greatest part of the log still lies before it.
  const start = away.findIndex((d) => d > away[n - 1]! / 10);
  if (start < 1 || start >= n - 2) return [];
  const way = (i: number) => [x[i + 1]! - x[i - 1]!, y[i + 1]! - y[i - 1]!] as const;
  const [wx, wy] = way(start);
  const passes = [start];
  for (let i = start + 1; i < n - 1; i++) {
    if (away[i]! - away[passes.at(-1)!]! < SHORTEST_LAP_M) continue;
    const [dx, dy] = [x[i]! - x[start]!, y[i]! - y[start]!];
    if (Math.hypot(dx, dy) > SAME_PLACE_M) continue;
    const [vx, vy] = way(i);
    const cos = (vx * wx + vy * wy) / (Math.hypot(vx, vy) * Math.hypot(wx, wy));
    // The line stands across the way at the place; the first sample beyond it begins a lap.
    if (cos > SAME_WAY_COS && dx * wx + dy * wy >= 0) passes.push(i);
  }
  return passes.slice(1).map((to, k) => ({ from: passes[k]!, to: to + 1 }));
}

/** The log from where the car first moves to where it last does. */
function moving({ columns: { t_s: t, speed_mps: speed } }: RideLog): DrivenLap {
  if (!speed) return { from: 0, to: t.length };
  const from = Math.max(
    0,
    speed.findIndex((v) => v > MOVES_MPS),
  );
  const to = speed.findLastIndex((v) => v > MOVES_MPS) + 1;
  return { from, to: Math.max(from, to) };
}
