import { mean } from '../numeric/moments';
import { quantile } from '../numeric/order';

const COVER_QUANTILE = 0.995;
const MARGIN_SIGMAS = 3;
const LEAST_MARGIN = 0.005;
/** Share of a take-up run's highest travel that belongs to the held level. */
const HELD = 0.95;
const LEAST_TAKEUP = 0.003;

export interface InnerDeadzone {
  /** Smallest inner dead zone that does the job, in travel. */
  deadzone: number;
  from: 'cover' | 'takeup';
}

/** Dead zone that hides a resting foot: P99.5 of its travel + max(3σ, 0.5 %). σ in travel. */
export function coverDeadzone(travel: ArrayLike<number>, sigma: number): number {
  return Math.max(0, quantile(travel, COVER_QUANTILE)) + Math.max(MARGIN_SIGMAS * sigma, LEAST_MARGIN);
}

/**
 * Mean travel at which resistance is felt, over the take-up runs; each run's level is the mean of what it held. Runs in
 * which this axis does not move belong to another one; `null` where none is left.
 */
export function takeupDeadzone(runs: Float64Array[]): number | null {
  const levels = runs.flatMap((run) => {
    const top = quantile(run, COVER_QUANTILE);
    return top < LEAST_TAKEUP ? [] : [mean(run.filter((x) => x >= HELD * top))];
  });
  return levels.length > 0 ? mean(levels) : null;
}

/** With both, the larger rules; with neither there is no recommendation. */
export function rulingDeadzone(cover: number | null, takeup: number | null): InnerDeadzone | null {
  if (cover === null && takeup === null) return null;
  return (takeup ?? -1) > (cover ?? -1)
    ? { deadzone: takeup!, from: 'takeup' }
    : { deadzone: cover!, from: 'cover' };
}
