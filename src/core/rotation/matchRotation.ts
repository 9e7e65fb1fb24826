/** Base, title and car as they are set, degrees lock to lock. */
export interface RotationSetting {
  baseDeg: number;
  titleDeg: number;
  carDeg: number;
  /** The title stretches the base's rotation over the car's lock, instead of passing it on. */
  isStretch: boolean;
}

export interface RotationMatch {
  /** Virtual hand-wheel degrees per real one. */
  gain: number;
  /** What the title shows with the rim held at 90°. */
  displayAt90: number;
  oneToOne: boolean;
  /** What the base turns beyond the car's lock; negative where the car's lock is never reached. */
  overtravelDeg: number;
  /** Where the bump stop belongs for this car; never above the base's rotation. */
  bumpStopDeg: number;
}

const RIGHT_ANGLE = 90;
const ONE_TO_ONE = 0.01;

/** θ_virtual = θ_hand·G/P in a direct title, θ_hand·L/P in one that stretches. */
export function matchRotation({ baseDeg, titleDeg, carDeg, isStretch }: RotationSetting): RotationMatch {
  const gain = (isStretch ? carDeg : titleDeg) / baseDeg;
  return {
    gain,
    displayAt90: RIGHT_ANGLE * gain,
    oneToOne: Math.abs(gain - 1) <= ONE_TO_ONE,
    overtravelDeg: baseDeg - carDeg,
    bumpStopDeg: Math.min(carDeg, baseDeg),
  };
}

/** The base rotation that a title believes in, from what it shows at a known hand angle: P·D/A. */
export function believedBase(baseDeg: number, shownDeg: number, atDeg: number): number {
  return (baseDeg * shownDeg) / atDeg;
}

export interface Hairpin {
  radiusM: number;
  wheelbaseM: number;
  /** Hand wheel to road wheel. */
  ratio: number;
  carDeg: number;
  /** Speed and understeer gradient K, rad/(m/s²); at walking pace the geometry alone counts. */
  speedMps?: number;
  understeer?: number;
}

/** Share of the lock that a hairpin may ask for. */
const LOCK_SHARE = 0.95;
const DEGREES = 180 / Math.PI;

/** Hand angle for a hairpin, δ·i_s with δ = atan(wheelbase/R) + K·v²/R, and whether the car's lock is enough. */
export function hairpinHand(corner: Hairpin): { handDeg: number; isEnough: boolean } {
  const { radiusM, wheelbaseM, ratio, carDeg, speedMps = 0, understeer = 0 } = corner;
  const road = Math.atan(wheelbaseM / radiusM) + (understeer * speedMps * speedMps) / radiusM;
  const handDeg = road * DEGREES * ratio;
  return { handDeg, isEnough: handDeg <= (LOCK_SHARE * carDeg) / 2 };
}
