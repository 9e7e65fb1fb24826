import { HAND_SIGMA_DEG } from './rotation';

const Z95 = 1.96;
/** Where a title's wizard asks for the rim to be held. */
const WIZARD_DEG = 90;

export interface RotationAdvice {
  /** What to type into the title: the nominal rotation where it surely is one, else the measured one, whole degrees. */
  typeDeg: number;
  /** What a title's 90° wizard shows for this wheel in 95 of 100 honest tries. */
  wizardDeg: [number, number];
  /** 95 % interval of the measured rotation. */
  intervalDeg: [number, number];
}

/**
 * What to do with a measured rotation. A wizard that lets a hand hold 90° each way inherits the hand's error:
 * σ = rotation·σ_hand/(√2·90°), which is why an honest 900 shows as 889 or 912.
 */
export function rotationAdvice(
  rotationDeg: number,
  sigmaDeg: number,
  snappedDeg: number | null,
  handSigmaDeg = HAND_SIGMA_DEG,
): RotationAdvice {
  const typeDeg = snappedDeg ?? Math.round(rotationDeg);
  const spread = (Z95 * typeDeg * handSigmaDeg) / (Math.SQRT2 * WIZARD_DEG);
  return {
    typeDeg,
    wizardDeg: [Math.round(typeDeg - spread), Math.round(typeDeg + spread)],
    intervalDeg: [rotationDeg - Z95 * sigmaDeg, rotationDeg + Z95 * sigmaDeg],
  };
}
