import { median } from '../numeric/order';
import type { PhaseRun } from './recording';

const PRESS_STARTS = 0.1;
const PRESS_ENDS = 0.05;
/** A resting foot that alone would keep a press "open" lifts both thresholds. */
const COVER_MATTERS = 0.04;
const PLATEAU = 0.95;
/** A press that stops below this share of the median peak was broken off, not a hardest press. */
const FULL_PRESS = 0.6;

export interface Press {
  from: number;
  to: number;
  /** Travel, 0…1 within the calibrated ends; may pass 1 where a press goes beyond the sweeps. */
  peak: number;
  /** False for a press broken off early; it stays visible but out of the statistics. */
  counted: boolean;
}

/**
 * Presses in the `press` runs, split with hysteresis at 10 % and 5 % of travel; the peak is the median of
 * the plateau (samples within 5 % of the press's maximum).
 * @param travel per sample, spikes taken out
 * @param coverLevel travel under a resting foot
 */
export function findPresses(travel: Float64Array, runs: PhaseRun[], coverLevel = 0): Press[] {
  const lift = coverLevel > COVER_MATTERS ? coverLevel : 0;
  const presses = runs.flatMap((run) => {
    const found: Press[] = [];
    let from: number | null = null;
    for (let i = run.from; i <= run.to; i++) {
      const x = i < run.to ? travel[i]! : 0;
      if (from === null && x > PRESS_STARTS + lift) from = i;
      if (from !== null && (i === run.to || x < PRESS_ENDS + lift)) {
        found.push({ from, to: i, peak: plateau(travel.subarray(from, i)), counted: true });
        from = null;
      }
    }
    return found;
  });
  if (presses.length > 0) {
    const typical = median(presses.map((p) => p.peak));
    for (const press of presses) press.counted = press.peak >= FULL_PRESS * typical;
  }
  return presses;
}

function plateau(travel: Float64Array): number {
  const top = travel.reduce((a, b) => Math.max(a, b), 0);
  return median(travel.filter((x) => x >= PLATEAU * top));
}
