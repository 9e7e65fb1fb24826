import { mean } from '../numeric/moments';
import type { LapCurvature } from './lapCurvature';

/** Curvature over distance, one value a metre or so. */
export interface CurvatureLine {
  stepM: number;
  lengthM: number;
  /** Mean of the laps, 1/m, left positive. */
  curvature: Float64Array;
  /** The same of each lap, over the mean lap's distance. */
  laps: Float64Array[];
  /** Speed there, m/s; zeros where it was not needed. */
  speed: Float64Array;
}

/** Half a window of the mean, m: shorter than any corner, longer than what hands and rounding do. */
const HALF_WINDOW_M = 3.5;

/**
 * Laps on one grid: each is stretched to the mean lap's length, smoothed and averaged.
 * @param closed whether the end of a lap leads into its start
 */
export function meanCurvature(laps: readonly LapCurvature[], closed: boolean): CurvatureLine {
  const lengths = laps.map(({ s }) => s[s.length - 1]!);
  const lengthM = mean(lengths);
  const n = Math.max(2, Math.round(lengthM));
  const stepM = lengthM / n;
  const on = (lap: LapCurvature, values: Float64Array) =>
    smoothed(gridded(lap.s, values, lap.s[lap.s.length - 1]! / n, n), HALF_WINDOW_M / stepM, closed);
  const curvatures = laps.map((lap) => on(lap, lap.curvature));
  const speeds = laps.map((lap) => on(lap, lap.speed));
  const averaged = (of: Float64Array[]) =>
    Float64Array.from({ length: n }, (_, i) => mean(of.map((one) => one[i]!)));
  return { stepM, lengthM, curvature: averaged(curvatures), laps: curvatures, speed: averaged(speeds) };
}

/** What the values come to over each cell of the grid, the line between samples being straight: no turn is lost. */
function gridded(s: Float64Array, values: Float64Array, cell: number, n: number): Float64Array {
  const total = new Float64Array(s.length);
  for (let i = 1; i < s.length; i++)
    total[i] = total[i - 1]! + ((values[i]! + values[i - 1]!) / 2) * (s[i]! - s[i - 1]!);
  let k = 0;
  const upTo = (at: number) => {
    while (k < s.length - 2 && s[k + 1]! < at) k++;
    const part = Math.min(1, Math.max(0, (at - s[k]!) / Math.max(Number.EPSILON, s[k + 1]! - s[k]!)));
    return total[k]! + part * (total[k + 1]! - total[k]!);
  };
  const grid = new Float64Array(n);
  let before = upTo(0);
  for (let i = 0; i < n; i++) {
    const now = upTo((i + 1) * cell);
    grid[i] = (now - before) / cell;
    before = now;
  }
  return grid;
}

/** Triangular window: weights fall evenly to zero at its ends. */
function smoothed(values: Float64Array, half: number, closed: boolean): Float64Array {
  const n = values.length;
  const reach = Math.floor(half);
  return values.map((_, i) => {
    let [sum, weights] = [0, 0];
    for (let k = -reach; k <= reach; k++) {
      const at = i + k;
      if (!closed && (at < 0 || at >= n)) continue;
      const weight = 1 - Math.abs(k) / (half + 1);
      sum += weight * values[(at + n) % n]!;
      weights += weight;
    }
    return sum / weights;
  });
}
