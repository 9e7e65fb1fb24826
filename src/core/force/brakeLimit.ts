import { quantile } from '../numeric/order';
import { below, rateOf } from '../rides/logSignals';
import type { RideLog } from '../rides/rideLog';

/** Where a car's brakes give no more, as a log shows it. */
export interface BrakeLimit {
  /** Least share of the brake that gives all of the deceleration, and half of the step in which it is looked for. */
  brake: number;
  plusMinus: number;
  decelerationMps2: number;
  /** Braking that tells it, s. */
  seconds: number;
}

const SMOOTH_HZ = 3;
const FASTEST_MPS = 12;
/** Braking in a bend is limited by the bend. */
const MOST_LATERAL_MPS2 = 2.5;
const LEAST_BRAKE = 0.1;
const BIN = 0.04;
/** A bin of fewer seconds is an accident. */
const LEAST_S = 0.3;
/** The best of a bin: a driver does not always brake on the best of the road. */
const BEST = 0.8;
/** All of the deceleration, within what a road varies. */
const ALL = 0.96;
/** Only where harder braking than the limit was tried is it one: so many bins above it. */
const BINS_BEYOND = 2;

/**
 * The least brake that decelerates as hard as any harder one: beyond it the wheels lock or slide. Deceleration from `ax_mps2`, else from
 * the speed; straight braking only.
 * @returns `null` where the log has no brake or speed, too little hard braking, or deceleration still grew at the hardest brake
 */
export function brakeLimit({ columns }: RideLog): BrakeLimit | null {
  const { t_s: t, brake, speed_mps: speed, ax_mps2: ax, ay_mps2: ay } = columns;
  const rateHz = rateOf(columns);
  if (!brake || !speed) return null;
  if (!(rateHz > 4 * SMOOTH_HZ)) return null;
  const raw = ax ? ax.map((a) => -a) : decelerationOf(t, speed);
  const [slowing, pressed] = [below(raw, SMOOTH_HZ, rateHz), below(brake, SMOOTH_HZ, rateHz)];
  const bins = Array.from({ length: Math.ceil(1 / BIN) }, (): number[] => []);
  for (let i = 0; i < t.length; i++) {
    const b = pressed[i]!;
    if (b < LEAST_BRAKE || speed[i]! < FASTEST_MPS || (ay && Math.abs(ay[i]!) > MOST_LATERAL_MPS2)) continue;
    bins[Math.min(bins.length - 1, Math.floor(b / BIN))]!.push(slowing[i]!);
  }
  const told = bins.flatMap((values, k) =>
    values.length >= LEAST_S * rateHz ? [{ brake: (k + 0.5) * BIN, best: quantile(values, BEST) }] : [],
  );
  if (told.length <= BINS_BEYOND) return null;
  const most = Math.max(...told.map(({ best }) => best));
  const at = told.findIndex(({ best }) => best >= ALL * most);
  if (told.length - 1 - at < BINS_BEYOND) return null;
  const seconds = bins.reduce((sum, values) => sum + values.length, 0) / rateHz;
  return { brake: told[at]!.brake, plusMinus: BIN / 2, decelerationMps2: most, seconds };
}

function decelerationOf(t: Float64Array, speed: Float64Array): Float64Array {
  return speed.map((_, i) => {
    const [a, b] = [Math.max(0, i - 1), Math.min(t.length - 1, i + 1)];
    return t[b]! > t[a]! ? -(speed[b]! - speed[a]!) / (t[b]! - t[a]!) : 0;
  });
}
