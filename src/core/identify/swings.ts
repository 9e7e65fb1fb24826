import type { PhaseRun } from '../axes/recording';
import { measuredRate } from '../axes/recording';

/** Slower than this the friction is no longer the sliding one, rad/s; a shorter way tells nothing, rad. */
const SLOWEST_RADPS = 0.4;
const SHORTEST_RAD = (0.7 * Math.PI) / 180;
/** Speed is read over this much time, and over no fewer samples. */
const SPEED_WINDOW_S = 0.024;
const SPEED_SAMPLES = 5;
/** A coarse sensor is looked at for longer, until one count more or less makes no more than this, rad/s. */
const COUNT_RADPS = 0.2;
const LONGEST_WINDOW_S = 0.1;
/** A stop pushes back before it is reached, rad. */
const STOP_RAD = (4 * Math.PI) / 180;
/** Fewer samples than a fit has unknowns say nothing. */
const FEWEST_SAMPLES = 12;

/** A stretch in which the rim ran freely one way: time from its start, s, and angle from the centre, rad, left positive. */
export interface Swing {
  t: Float64Array;
  angle: Float64Array;
  /** 1 to the left, −1 to the right. */
  way: 1 | -1;
}

/** One spin that was let go, or one release of the pendulum: the swings between its turning points. */
export type Spin = Swing[];

/** What turns raw counts into angles. */
export interface AngleScale {
  countsPerDegree: number;
  /** Raw reading at the centre. */
  centre: number;
  /** Where the rim's stops are, raw; `null` where nobody knows. */
  ends: [number, number] | null;
}

/**
 * The free swings of one run: wherever the rim ran one way, faster than 0.4 rad/s and further than 0.7°, clear of its stops.
 * @param raw counts of the whole recording beside `t`; @param run the spin, from the moment the hand was off
 */
export function swingsOf(t: Float64Array, raw: Float64Array, run: PhaseRun, scale: AngleScale): Spin {
  const count = run.to - run.from;
  if (count < FEWEST_SAMPLES) return [];
  const radians = Math.PI / 180 / scale.countsPerDegree;
  const time = t.subarray(run.from, run.to);
  const angle = new Float64Array(count);
  for (let i = 0; i < count; i++) angle[i] = (raw[run.from + i]! - scale.centre) * radians;
  const speed = speedsOf(time, angle);
  const stops = scale.ends?.map((end) => (end - scale.centre) * radians).sort((a, b) => a - b);
  const isFree = (i: number) =>
    !stops || (angle[i]! > stops[0]! + STOP_RAD && angle[i]! < stops[1]! - STOP_RAD);
  const spin: Spin = [];
  for (let from = 0; from < count;) {
    const way = Math.sign(speed[from]!) as 1 | -1;
    let to = from;
    while (to < count && isFree(to) && way * speed[to]! > SLOWEST_RADPS) to++;
    if (to - from >= FEWEST_SAMPLES && Math.abs(angle[to - 1]! - angle[from]!) > SHORTEST_RAD)
      spin.push({
        t: time.slice(from, to).map((at) => at - time[from]!),
        angle: angle.slice(from, to),
        way,
      });
    from = Math.max(to, from + 1);
  }
  return spin;
}

/** Speed as the slope of a line through the neighbours, rad/s. */
function speedsOf(t: Float64Array, angle: Float64Array): Float64Array {
  let count = Infinity;
  for (let i = 1; i < angle.length; i++) {
    const step = Math.abs(angle[i]! - angle[i - 1]!);
    if (step > 0) count = Math.min(count, step);
  }
  const windowS = Math.min(LONGEST_WINDOW_S, Math.max(SPEED_WINDOW_S, count / COUNT_RADPS));
  const half = Math.max(SPEED_SAMPLES >> 1, Math.round((windowS * measuredRate(t)) / 2));
  return angle.map((_, i) => {
    const [from, to] = [Math.max(0, i - half), Math.min(angle.length, i + half + 1)];
    let [mt, ma] = [0, 0];
    for (let k = from; k < to; k++) {
      mt += t[k]!;
      ma += angle[k]!;
    }
    mt /= to - from;
    ma /= to - from;
    let [cross, square] = [0, 0];
    for (let k = from; k < to; k++) {
      cross += (t[k]! - mt) * (angle[k]! - ma);
      square += (t[k]! - mt) ** 2;
    }
    return square > 0 ? cross / square : 0;
  });
}
