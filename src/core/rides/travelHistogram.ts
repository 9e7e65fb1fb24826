import { travelFor } from '../response/notes';
import type { ResponseLayer } from '../response/layer';

export const TRAVEL_BINS = 40;

/**
 * How a ride's time lies over the travel of an axis: shares that add up to 1 over equal bins from released to full.
 * A log holds what the title saw; the travel behind it is found through the response that was in force.
 * @param seen output of the response, 0…1, one value per equal step of time; for a wheel the share of its lock
 * @returns `null` where the axis did not move
 */
export function travelHistogram(seen: Float64Array, layers: ResponseLayer[]): number[] | null {
  const table = Float64Array.from({ length: LEVELS + 1 }, (_, i) =>
    i === 0 ? 0 : travelFor(layers, i / LEVELS),
  );
  const bins = new Array<number>(TRAVEL_BINS).fill(0);
  let moved = 0;
  for (const value of seen) {
    const level = Math.round(Math.min(1, Math.abs(value)) * LEVELS);
    // At rest the travel is anywhere below the dead zone: it is left out, or it would hide all else.
    if (!(level > 0)) continue;
    bins[Math.min(TRAVEL_BINS - 1, Math.floor(table[level]! * TRAVEL_BINS))]!++;
    moved++;
  }
  return moved === 0 ? null : bins.map((count) => count / moved);
}

const LEVELS = 1000;
