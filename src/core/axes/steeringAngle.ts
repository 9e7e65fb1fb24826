import type { SteeringAnalysis } from './steeringAnalysis';

type Measured = Pick<SteeringAnalysis, 'min' | 'max' | 'centre' | 'inverted' | 'rotationDeg'>;

/** Where no hold was measured, an axis is taken to turn this far: what most bases are set to. */
const ASSUMED_ROTATION_DEG = 900;

/** Angle of a raw reading from the resting centre, degrees, left positive. */
export function steeringDegrees({ min, max, centre, inverted, rotationDeg }: Measured, raw: number): number {
  const perCount = (rotationDeg ?? ASSUMED_ROTATION_DEG) / (max - min);
  return (raw - centre) * perCount * (inverted ? -1 : 1) + 0;
}

/** Share of the way to the lock on that side, −1 (right) … 1 (left), not clipped. */
export function lockShare({ min, max, centre, inverted }: Measured, raw: number): number {
  const left = inverted ? min : max;
  const right = inverted ? max : min;
  const towardsLeft = (raw - centre) / (left - centre);
  return (towardsLeft >= 0 ? towardsLeft : -((raw - centre) / (right - centre))) + 0;
}

/** Raw counts for a degree to the left, negative where the reading falls to the left; `null` where no hold was measured. */
export function countsPerDegree({
  min,
  max,
  inverted,
  rotationDeg,
}: Pick<Measured, 'min' | 'max' | 'inverted' | 'rotationDeg'>): number | null {
  return rotationDeg === null ? null : ((max - min) / rotationDeg) * (inverted ? -1 : 1);
}
