import { mean } from '../numeric/moments';

/** The rim held at a known angle. */
export interface Hold {
  /** Left positive, from the rest position. */
  degrees: number;
  counts: number;
  tS: number;
}

/** How well a hand holds a marked angle, per hold. */
export const HAND_SIGMA_DEG = 1.5;
/** Rotations that bases are made or set for. */
const NOMINAL_DEG = [180, 270, 360, 450, 540, 720, 900, 1080, 1440, 1800, 2520];
const SNAP_SIGMAS = 2;
const SURE_SHARE = 0.015;

/**
 * Counts per degree from the holds, left positive: least squares over the angles, with the hand's error equal in all of
 * them. For a pair at ±α that is the difference over 2α with relative uncertainty σα/(√2·α). Holds on one side only are
 * measured from the rest.
 * @returns `null` without a hold away from zero
 */
export function countsPerDegree(
  holds: Hold[],
  restCounts: number,
): { countsPerDegree: number; relativeSigma: number } | null {
  const turned = holds.filter((hold) => hold.degrees !== 0);
  if (turned.length === 0) return null;
  const isOneSided = new Set(turned.map((hold) => Math.sign(hold.degrees))).size === 1;
  const zeroAngle = isOneSided ? 0 : mean(turned.map((hold) => hold.degrees));
  const zeroCounts = isOneSided ? restCounts : mean(turned.map((hold) => hold.counts));
  let squares = 0;
  let products = 0;
  for (const { degrees, counts } of turned) {
    squares += (degrees - zeroAngle) ** 2;
    products += (degrees - zeroAngle) * (counts - zeroCounts);
  }
  const scale = products / squares;
  return scale === 0 ? null : { countsPerDegree: scale, relativeSigma: HAND_SIGMA_DEG / Math.sqrt(squares) };
}

/** The nearest common rotation within 2σ; sure where 2σ is at most 1.5 % of the rotation, else only probable. */
export function nominalRotation(
  rotationDeg: number,
  sigmaDeg: number,
): { degrees: number; isSure: boolean } | null {
  const nearest = NOMINAL_DEG.reduce((a, b) =>
    Math.abs(b - rotationDeg) < Math.abs(a - rotationDeg) ? b : a,
  );
  if (Math.abs(nearest - rotationDeg) > SNAP_SIGMAS * sigmaDeg) return null;
  return { degrees: nearest, isSure: SNAP_SIGMAS * sigmaDeg <= SURE_SHARE * rotationDeg };
}
