import { studentQuantile } from '../numeric/distributions';
import { mean, standardDeviation } from '../numeric/moments';
import { quantile } from '../numeric/order';
import { slopesOfParts, type Pair } from '../numeric/regressionThroughOrigin';
import { fail, succeed, type Outcome } from '../problem';
import { below, lateralOf, rateOf } from '../rides/logSignals';
import type { RideLog } from '../rides/rideLog';

/** What two rides at two values of a gain say of its numbers. */
export interface GainProbe {
  /** How many times stronger the second ride's force was, with its 95 % interval. */
  ratio: number;
  low: number;
  high: number;
  /** What it would be if the numbers were factors. */
  expected: number;
  /** Only where the whole interval says so are they factors, or none; else the rides cannot tell. */
  verdict: 'factor' | 'other' | 'unsure';
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
/** Numbers are factors where the force follows them within this: no gain that is computed on them is further off. */
export const FACTOR_WITHIN = 0.1;

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
  if (first === 'clipped' || second === 'clipped')
    return refuse(
      'clipped',
      `The ${first === 'clipped' ? 'first' : 'second'} ride is at full scale in most of its corners.`,
      'Ride both lower: one at half of the other.',
    );
  if (!first || !second)
    return refuse(
      'no-corners',
      `The ${first ? 'second' : 'first'} log does not show a force that follows corners.`,
      'Log the title’s force with lateral acceleration, or with yaw rate and speed, for a lap or more.',
    );
  const ratio = mean(second) / mean(first);
  const relative = (some: number[]) => standardDeviation(some) / (Math.sqrt(PARTS) * mean(some));
  const half = studentQuantile(0.975, 2 * PARTS - 2) * Math.hypot(relative(first), relative(second));
  const [low, high] = [ratio * (1 - half), ratio * (1 + half)];
  const expected = b.value / a.value;
  return succeed({ ratio, low, high, expected, verdict: verdictOn(low / expected, high / expected) });
}

function verdictOn(low: number, high: number): GainProbe['verdict'] {
  if (low >= 1 - FACTOR_WITHIN && high <= 1 + FACTOR_WITHIN) return 'factor';
  return high < 1 - FACTOR_WITHIN || low > 1 + FACTOR_WITHIN ? 'other' : 'unsure';
}

/** |force| for each m/s² of lateral acceleration, part by part of the ride's corners; or why there is none. */
function slopes({ columns }: RideLog): number[] | 'clipped' | null {
  const { ffb } = columns;
  const [lateral, rateHz] = [lateralOf(columns), rateOf(columns)];
  if (!ffb || !lateral || !(rateHz > 4 * CORNER_HZ)) return null;
  const [force, side] = [below(ffb, CORNER_HZ, rateHz), below(lateral, CORNER_HZ, rateHz)];
  const top = quantile(side.map(Math.abs), 0.95);
  const pairs: Pair[] = [];
  let corners = 0;
  for (let i = 0; i < ffb.length; i++) {
    const size = Math.abs(side[i]!);
    if (size < LEAST * top || size > MOST * top) continue;
    corners++;
    if (Math.abs(ffb[i]!) <= MOST_SIGNAL) pairs.push([side[i]!, force[i]!]);
  }
  if (corners < FEWEST_S * rateHz) return null;
  if (pairs.length < FEWEST_S * rateHz) return 'clipped';
  const all = slopesOfParts(pairs, PARTS);
  // A force that turns its sign from part to part follows something else.
  return all.every((one) => Math.sign(one) === Math.sign(all[0]!)) ? all.map(Math.abs) : null;
}
