import { chanceOfReaching, toleranceFactor } from '../numeric/distributions';
import { mean, standardDeviation } from '../numeric/moments';

export const LEAST_PRESSES = 4;
const FLOOR = 0.5;
const CAP = 1;

export interface Saturation {
  /** Recommended saturation point in travel, 0.5…1. */
  saturation: number;
  mean: number;
  sd: number;
  n: number;
  /** Chance that a new press reaches 100 % at the saturation in force, and at the recommended one. */
  reachNow: number;
  reachAfter: number;
}

/**
 * Saturation that lets 95 of 100 presses reach 100 % with 90 % confidence: mean − k·sd with the one-sided
 * normal tolerance factor k, floor 0.50, cap 1.
 * @param peaks travel of at least 4 counted presses
 * @param inForce saturation point now, in travel
 */
export function recommendSaturation(peaks: number[], inForce = 1): Saturation {
  const n = peaks.length;
  if (n < LEAST_PRESSES) throw new RangeError(`saturation needs ${LEAST_PRESSES} presses or more`);
  const centre = mean(peaks);
  const sd = standardDeviation(peaks);
  const saturation = Math.min(CAP, Math.max(FLOOR, centre - toleranceFactor(n) * sd));
  const chance = (point: number) => chanceOfReaching(point, centre, sd, n);
  return { saturation, mean: centre, sd, n, reachNow: chance(inForce), reachAfter: chance(saturation) };
}
