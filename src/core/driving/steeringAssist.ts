import { GRAVITY } from '../vehicle/carSpec';

/** A wheel that ends before the car's lock, and the car that it steers. */
export interface AssistedWheel {
  /** What the wheel turns to one side, degrees. */
  halfDeg: number;
  /** The car's lock to one side, hand-wheel degrees. */
  lockDeg: number;
  wheelbaseM: number;
  /** Hand wheel to road wheel. */
  ratio: number;
}

/** No tyre of ours corners harder. */
const MOST_G = 1.3;
/** What a slide is caught with, beside the corner itself. */
const SPARE = 1.5;
const DEG = 180 / Math.PI;

/**
 * Steering that helps a wheel without the car's whole rotation: as much of the lock can be reached as a corner at the grip's limit
 * asks for at this speed, δ = atan(L·a/v²), and half as much again; where the wheel has that by itself, nothing helps.
 * @returns hand-wheel degrees of the car per degree of the wheel, 1 or more
 */
export function assistAt({ halfDeg, lockDeg, wheelbaseM, ratio }: AssistedWheel, speedMps: number): number {
  const cornering = Math.atan2(wheelbaseM * MOST_G * GRAVITY, speedMps * speedMps) * DEG * ratio;
  return Math.max(1, Math.min(lockDeg, SPARE * cornering) / halfDeg);
}
