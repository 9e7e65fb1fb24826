import { median } from '../numeric/order';
import type { RideLog } from '../rides/rideLog';

/** One slow release of the clutch from standstill: rows of the log, and what of them speaks of the bite. */
export interface ClutchRelease {
  t: number[];
  /** Pedal travel, 1 pressed. */
  travel: number[];
  speed: number[];
  /** How fast the pedal came up over the fit, 1/s. */
  rate: number;
}

/** Standing still, and the speeds between which the clutch is heard: under it noise, over it other things. */
const STANDING_MPS = 0.03;
const FROM_MPS = 0.06;
const TO_MPS = 0.5;
const LEAST_SAMPLES = 8;
const FASTEST = 0.4;
/** A pedal that comes up less than this over the fit was held. */
const LEAST_RATE = 0.02;
/** A release begins with the pedal at least so far down. */
const PRESSED = 0.5;
const LEAST_STANDING_S = 0.2;

/** Why a start was not used. */
type Unusable = 'too fast' | 'too few samples' | 'the pedal was held';

export interface Releases {
  usable: ClutchRelease[];
  unusable: Unusable[];
  /** Whether the car ever stood. */
  everStood: boolean;
}

/** Finds the starts from standstill in a log with `clutch` and `speed_mps`. */
export function findReleases({ columns: { t_s: t, clutch, speed_mps: speed } }: RideLog): Releases {
  const found: Releases = { usable: [], unusable: [], everStood: false };
  if (!clutch || !speed) return found;
  let stoodFrom: number | null = null;
  for (let i = 0; i < t.length; i++) {
    if (Math.abs(speed[i]!) < STANDING_MPS) {
      stoodFrom ??= i;
      found.everStood = true;
      continue;
    }
    const from = stoodFrom;
    stoodFrom = null;
    if (from === null || t[i]! - t[from]! < LEAST_STANDING_S || clutch[i - 1]! < 0.05) continue;
    let to = i;
    while (to < t.length && speed[to]! < TO_MPS && speed[to]! > -STANDING_MPS) to++;
    let wasPressed = false;
    for (let k = from; k < i; k++) if (clutch[k]! >= PRESSED) wasPressed = true;
    if (to === t.length || speed[to]! < TO_MPS || !wasPressed) continue;
    const release: ClutchRelease = { t: [], travel: [], speed: [], rate: 0 };
    for (let k = i; k < to; k++) {
      if (speed[k]! < FROM_MPS) continue;
      release.t.push(t[k]!);
      release.travel.push(clutch[k]!);
      release.speed.push(speed[k]!);
    }
    const n = release.t.length;
    if (n < LEAST_SAMPLES) found.unusable.push('too few samples');
    else {
      release.rate = (release.travel[0]! - release.travel[n - 1]!) / (release.t[n - 1]! - release.t[0]!);
      if (release.rate > FASTEST) found.unusable.push('too fast');
      else if (release.rate < LEAST_RATE) found.unusable.push('the pedal was held');
      else found.usable.push(release);
    }
    i = to;
  }
  return found;
}

/** Pressed all the way, and rolling by itself between these speeds. */
const FREE = 0.95;
const ROLLS_FROM_MPS = 0.6;
const ROLLS_TO_MPS = 4;
/** A stretch of rolling, and how many of them are needed. */
const ROLL_S = 0.25;
const LEAST_ROLLS = 4;
/** Median distance from the median of a normal spread, in its standard deviations. */
const NORMAL_MAD = 0.6745;
const TOUCHED = 0.01;

/** Deceleration of rolling with the clutch pressed and nothing else touched, m/s², and its standard error. */
export interface RollingDrag {
  value: number;
  sigma: number;
}

/** A median is less sure than a mean by this. */
const MEDIAN_SIGMA = 1.25;

/** @returns `null` where a log holds no such rolling */
export function rollingDrag({ columns }: RideLog): RollingDrag | null {
  const { t_s: t, clutch, speed_mps: speed, brake } = columns;
  if (!clutch || !speed) return null;
  const slowed: number[] = [];
  let from: number | null = null;
  for (let i = 0; i < t.length; i++) {
    const v = speed[i]!;
    const isRolling =
      clutch[i]! >= FREE && v >= ROLLS_FROM_MPS && v <= ROLLS_TO_MPS && (brake ? brake[i]! < TOUCHED : true);
    if (!isRolling) from = null;
    else if (from === null) from = i;
    else if (t[i]! - t[from]! >= ROLL_S) {
      slowed.push((speed[from]! - v) / (t[i]! - t[from]!));
      from = i;
    }
  }
  // Where a brake is not logged some of these were braked: most were not.
  if (slowed.length < LEAST_ROLLS) return null;
  const middle = median(slowed);
  const spread = median(slowed.map((one) => Math.abs(one - middle))) / NORMAL_MAD;
  return { value: Math.max(0, middle), sigma: (MEDIAN_SIGMA * spread) / Math.sqrt(slowed.length) };
}
