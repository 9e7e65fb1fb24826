import { below } from '../rides/logSignals';
import { reversals } from '../rides/reversals';

/** The foot below this, without phase: what is over it is the pedal's noise. */
const FOOT_HZ = 5;
const FOOT_GAP = 0.05;
/** The hand over this: what is under it is the way that is driven. */
const HAND_HZ = 2;
const HAND_GAP_DEG = 2;

/** Mean samples a second of a stretch. */
export function rateBetween(t: Float64Array, from: number, to: number): number {
  return to - from < 2 ? 0 : (to - from - 1) / (t[to - 1]! - t[from]!);
}

/** Without what is faster; as it is where it has too few samples a second for that. */
const slowPart = (values: Float64Array, hz: number, rate: number): Float64Array =>
  rate > 2.5 * hz ? below(values, hz, rate) : values;

export function footOf(throttle: Float64Array, rate: number): Float64Array {
  return slowPart(throttle, FOOT_HZ, rate);
}

/** Root mean square of how fast the foot moves, 1/s. */
export function footRateRms(foot: Float64Array, rate: number): number {
  let sum = 0;
  for (let i = 1; i < foot.length; i++) sum += ((foot[i]! - foot[i - 1]!) * rate) ** 2;
  return Math.sqrt(sum / Math.max(1, foot.length - 1));
}

export const footReversals = (foot: Float64Array): number => reversals(foot, FOOT_GAP);

/** How often the hand turns round within its quick part. */
export function handReversals(steerDeg: Float64Array, rate: number): number {
  const slow = slowPart(steerDeg, HAND_HZ, rate);
  return reversals(
    steerDeg.map((deg, i) => deg - slow[i]!),
    HAND_GAP_DEG,
  );
}

export const perMinute = (count: number, seconds: number): number => (60 * count) / seconds;

/** Stretches of rows of which something holds, with gaps of up to `gapS` joined. */
export function runs(
  t: Float64Array,
  holds: (i: number) => boolean,
  gapS = 0,
): { from: number; to: number }[] {
  const found: { from: number; to: number }[] = [];
  for (let i = 0; i < t.length; i++) {
    if (!holds(i)) continue;
    const last = found.at(-1);
    if (last && (last.to === i || t[i]! - t[last.to - 1]! <= gapS)) last.to = i + 1;
    else found.push({ from: i, to: i + 1 });
  }
  return found;
}
