import { median } from '../numeric/order';
import { mannKendallZ, theilSenSlope } from '../numeric/trend';
import type { PhaseRun } from './recording';

/** Blocks whose medians are tested; on raw samples, correlation makes the test cry wolf half the time. */
const BLOCKS = 12;
/** Two-sided 1 % of the standard normal. */
const SIGNIFICANT_Z = 2.58;
/** Drift smaller than this many σ over the whole rest does not matter. */
const LEAST_SIGMAS = 2;
const SECONDS_PER_MINUTE = 60;

/**
 * Drift of an axis at rest: Theil–Sen slope over 12 block medians, where Mann–Kendall on those blocks gives
 * |Z| > 2.58 and the drift over the run exceeds 2σ.
 * @param t seconds @param raw counts, same length @param sigma noise in counts
 * @returns raw counts per minute, or `null` where no drift is shown
 */
function restDrift(t: ArrayLike<number>, raw: ArrayLike<number>, sigma: number): number | null {
  if (raw.length < 2 * BLOCKS) return null;
  const times: number[] = [];
  const levels: number[] = [];
  const values = Float64Array.from(raw);
  const seconds = Float64Array.from(t);
  for (let block = 0; block < BLOCKS; block++) {
    const from = Math.floor((block * raw.length) / BLOCKS);
    const to = Math.floor(((block + 1) * raw.length) / BLOCKS);
    times.push(median(seconds.subarray(from, to)));
    levels.push(median(values.subarray(from, to)));
  }
  if (times.at(-1) === times[0]) return null;
  const slope = theilSenSlope(times, levels);
  const total = Math.abs(slope) * (seconds.at(-1)! - seconds[0]!);
  const shown = Math.abs(mannKendallZ(levels)) > SIGNIFICANT_Z && total > LEAST_SIGMAS * sigma;
  return shown ? slope * SECONDS_PER_MINUTE : null;
}

/** Drift of the longest rest alone: between rests, return hysteresis would pass for drift. */
export function longestRestDrift(
  t: Float64Array,
  raw: Float64Array,
  rests: PhaseRun[],
  sigma: number,
): number | null {
  const length = (run: PhaseRun) => run.to - run.from;
  const { from, to } = rests.reduce((a, b) => (length(b) > length(a) ? b : a));
  return restDrift(t.subarray(from, to), raw.subarray(from, to), sigma);
}
