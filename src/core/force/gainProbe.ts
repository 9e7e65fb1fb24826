import { lowPass, zeroPhase } from '../numeric/biquad';
import { studentQuantile } from '../numeric/distributions';
import { mean, standardDeviation } from '../numeric/moments';
import { quantile } from '../numeric/order';
import { fail, succeed, type Outcome } from '../problem';
import type { RideLog } from '../rides/rideLog';

/** What two rides at two values of a gain say of its numbers. */
export interface GainProbe {
  /** How many times stronger the second ride's force was, with its 95 % interval. */
  ratio: number;
  low: number;
  high: number;
  /** What it would be if the numbers were factors. */
  expected: number;
  /** Whether they are, as far as these rides can tell. */
  isFactor: boolean;
}

/** A ride, and what the gain stood at. */
export interface ProbedRide {
  log: RideLog;
  value: number;
}

const CORNER_HZ = 2;
const PARTS = 6;
const FEWEST_S = 10;
/** Straights tell nothing; the hardest corners may be clipped. */
const [LEAST, MOST] = [0.4, 0.9];
const MOST_SIGNAL = 0.9;
/** Numbers are factors where the force follows them within this, or within what the rides can tell. */
const NEAR = 0.05;
/** A ratio that is no better known than this proves nothing. */
const WIDEST = 0.2;

/**
 * Two rides of one car on one road at two values of a title's gain: whether the force grew as the numbers did. The force is compared at
 * equal lateral acceleration, below the clip.
 */
export function gainProbe(a: ProbedRide, b: ProbedRide): Outcome<GainProbe> {
  const refuse = (code: string, message: string, remedy: string) =>
    fail({ code, message, place: {}, remedy });
  if (!(a.value > 0 && b.value > 0) || a.value === b.value)
    return refuse(
      'same-gain',
      'Both rides have the same gain, or none.',
      'Ride once at half of it, once at all of it.',
    );
  const [first, second] = [slopes(a.log), slopes(b.log)];
  if (!first || !second)
    return refuse(
      'no-corners',
      `The ${first ? 'second' : 'first'} log does not show a force that follows corners.`,
      'Log the title’s force with lateral acceleration, or with yaw rate and speed, for a lap or more.',
    );
  const ratio = mean(second) / mean(first);
  const relative = (some: number[]) => standardDeviation(some) / (Math.sqrt(PARTS) * mean(some));
  const half = studentQuantile(0.975, 2 * PARTS - 2) * Math.hypot(relative(first), relative(second));
  if (half > WIDEST)
    return refuse(
      'too-uneven',
      `The two rides tell the ratio only within ${(100 * half).toFixed(0)} %.`,
      'Ride the same laps twice, as evenly as you can.',
    );
  const expected = b.value / a.value;
  return succeed({
    ratio,
    low: ratio * (1 - half),
    high: ratio * (1 + half),
    expected,
    isFactor: Math.abs(ratio / expected - 1) <= Math.max(NEAR, half),
  });
}

/** |force| for each m/s² of lateral acceleration, part by part of the ride's corners. */
function slopes({ columns }: RideLog): number[] | null {
  const { t_s: t, ffb, ay_mps2: ay, yaw_radps: yaw, speed_mps: speed } = columns;
  const lateral = ay ?? (yaw && speed ? yaw.map((r, i) => r * speed[i]!) : null);
  if (!ffb || !lateral || t.length < 2) return null;
  const rateHz = (t.length - 1) / (t[t.length - 1]! - t[0]!);
  if (!(rateHz > 4 * CORNER_HZ)) return null;
  const smooth = (values: Float64Array) => zeroPhase(values, lowPass(CORNER_HZ, rateHz), Math.ceil(rateHz));
  const [force, side] = [smooth(ffb), smooth(lateral)];
  const top = quantile(side.map(Math.abs), 0.95);
  const pairs: [number, number][] = [];
  for (let i = 0; i < t.length; i++) {
    const size = Math.abs(side[i]!);
    if (size < LEAST * top || size > MOST * top || Math.abs(ffb[i]!) > MOST_SIGNAL) continue;
    pairs.push([side[i]!, force[i]!]);
  }
  if (pairs.length / rateHz < FEWEST_S) return null;
  const part = Math.floor(pairs.length / PARTS);
  const all = Array.from({ length: PARTS }, (_, k) => {
    const some = pairs.slice(k * part, (k + 1) * part);
    return some.reduce((sum, [x, y]) => sum + x * y, 0) / some.reduce((sum, [x]) => sum + x * x, 0);
  });
  // A force that turns its sign from part to part follows something else.
  return all.every((one) => Math.sign(one) === Math.sign(all[0]!)) ? all.map(Math.abs) : null;
}
