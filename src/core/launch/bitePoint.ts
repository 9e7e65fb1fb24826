import { mean, standardDeviation } from '../numeric/moments';
import { studentQuantile } from '../numeric/distributions';
import { fail, succeed, type Outcome } from '../problem';
import type { RideLog } from '../rides/rideLog';
import { findReleases, rollingDrag, type ClutchRelease } from './clutchReleases';

/** Where a clutch begins to drag, in pedal travel (1 pressed), with a 95 % interval. */
export interface BitePoint {
  releases: number;
  bite: number;
  low: number;
  high: number;
  /** Power of its torque over the travel let go. */
  exponent: number;
  warnings: string[];
}

const LEAST_RELEASES = 4;
/** Powers that are tried where nobody says which: from nearly even to very late. */
const EXPONENTS = Array.from({ length: 13 }, (_, i) => 0.7 + 0.2 * i);
/** Around the best of them, finely. */
const FINE = Array.from({ length: 33 }, (_, i) => 0.025 * (i - 16));
/** Powers under which the releases agree nearly as well as they can. */
const AGREES = 1.6;
/** The rolling drag shifts where a release is seen to begin, and that shifts the drag's share: both settle in a few rounds. */
const ROUNDS = 8;
/** Half a chance of each kind of fault outside. */
const LEVEL = 0.975;
const SIGMAS = 1.96;

/**
 * Bite point from slow releases from standstill. A clutch that carries ∝ (bite − x)^p lets go at a steady rate gives
 * v^(1/(p+1)) straight over the travel: the travel at which that line reaches nothing is the bite. With p unknown the p at
 * which fast and slow releases agree is taken, and the interval spans every p that does nearly as well.
 * @param exponent p, where it is known
 */
export function bitePoint(log: RideLog, exponent?: number): Outcome<BitePoint> {
  const { columns } = log;
  const lacks = (['clutch', 'speed_mps'] as const).find((name) => !columns[name]);
  if (lacks)
    return refused(
      'no-column',
      `The log has no column "${lacks}".`,
      'It takes t_s, clutch and speed_mps.',
      lacks,
    );
  const { usable, unusable, everStood } = findReleases(log);
  if (!everStood)
    return refused(
      'never-standing',
      'The car never stands still.',
      'Let the clutch in slowly from standstill, six times.',
    );
  if (usable.length < LEAST_RELEASES)
    return refused(
      'too-few-releases',
      `${usable.length} of ${usable.length + unusable.length} starts can be used${whyNot(unusable)}.`,
      'Let the clutch in from standstill at least 4 times, better 6, each over 3 to 10 seconds: at most 0.4 of the travel a second.',
    );
  const drag = rollingDrag(log);
  const warnings: string[] = [];
  if (drag === null)
    warnings.push(
      'Nothing is known of how the car slows by itself: the bite may read 0.01 to 0.03 low. Let it roll with the clutch pressed for a second.',
    );
  if (unusable.length > 0)
    warnings.push(
      `Not used: ${unusable.length} of ${usable.length + unusable.length} starts${whyNot(unusable)}.`,
    );
  const bites = (p: number, by: number) => usable.map((release) => biteOf(release, p, by));
  const at = (p: number) => {
    const told = over(bites(p, drag?.value ?? 0));
    if (!drag) return told;
    // All releases share what is not known of the drag.
    const off = (by: number) => Math.abs(mean(bites(p, Math.max(0, by))) - told.middle);
    const shared = Math.max(off(drag.value + SIGMAS * drag.sigma), off(drag.value - SIGMAS * drag.sigma));
    return { ...told, half: Math.hypot(told.half, shared) };
  };
  if (exponent !== undefined) {
    const { middle, half } = at(exponent);
    return succeed({
      releases: usable.length,
      bite: middle,
      low: middle - half,
      high: middle + half,
      exponent,
      warnings,
    });
  }
  const tryAll = (exponents: readonly number[]) =>
    exponents.map((p) => ({ p, ...over(bites(p, drag?.value ?? 0)) }));
  const least = (tried: ReturnType<typeof tryAll>) => tried.reduce((a, b) => (b.spread < a.spread ? b : a));
  const coarse = tryAll(EXPONENTS);
  const tried = [...coarse, ...tryAll(FINE.map((by) => least(coarse).p + by))];
  const best = least(tried);
  const agree = tried.filter(({ spread }) => spread <= AGREES * best.spread).map(({ p }) => at(p));
  return succeed({
    releases: usable.length,
    bite: best.middle,
    low: Math.min(...agree.map(({ middle, half }) => middle - half)),
    high: Math.max(...agree.map(({ middle, half }) => middle + half)),
    exponent: best.p,
    warnings,
  });
}

function over(bites: readonly number[]) {
  const spread = standardDeviation(bites);
  const half = (studentQuantile(LEVEL, bites.length - 1) * spread) / Math.sqrt(bites.length);
  return { middle: mean(bites), spread, half };
}

/** Travel at which the line of travel over v^(1/(p+1)) reaches nothing. */
function biteOf({ t, travel, speed, rate }: ClutchRelease, p: number, drag: number): number {
  const power = 1 / (p + 1);
  let bite = crossing(
    travel,
    speed.map((v) => v ** power),
  );
  for (let round = 0; drag > 0 && round < ROUNDS; round++) {
    // What the clutch gave is what the car has, and what rolling took since it moved; while it stood still, a share of that.
    const beganAt = t[0]! - (bite - travel[0]!) / rate;
    const given = speed.map((v, i) => {
      const since = Math.max(0, t[i]! - beganAt);
      return (v + drag * since * stoodShare(p, v, drag, since)) ** power;
    });
    bite = crossing(travel, given);
  }
  return bite;
}

/**
 * Share of drag·time that the clutch really gave against it: until it gives more than the drag the car stands, and over that
 * time its mean is 1/(p + 1) of the drag. @param v speed now
 */
function stoodShare(p: number, v: number, drag: number, since: number): number {
  if (since <= 0) return 0;
  // a(τ) = K·τ^p with K from v = K·τ^(p+1)/(p+1) − drag·τ + what was stood: solved for the share of τ that it stood.
  let stood = 0;
  for (let round = 0; round < 6; round++) {
    const given = v + drag * (since - stood) + (drag * stood) / (p + 1);
    const k = ((p + 1) * given) / since ** (p + 1);
    stood = Math.min(since, (drag / k) ** (1 / p));
  }
  return (since - stood + stood / (p + 1)) / since;
}

/** Least squares of travel over u; the travel at u = 0. */
function crossing(travel: readonly number[], u: readonly number[]): number {
  const [mu, mx] = [mean(u), mean(travel)];
  let [up, down] = [0, 0];
  for (let i = 0; i < u.length; i++) {
    up += (u[i]! - mu) * (travel[i]! - mx);
    down += (u[i]! - mu) ** 2;
  }
  return mx - (up / down) * mu;
}

function whyNot(unusable: readonly string[]): string {
  const why = [...new Set(unusable)];
  return why.length > 0 ? ` (${why.join(', ')})` : '';
}

const refused = (code: string, message: string, remedy: string, column?: string) =>
  fail<BitePoint>({ code, message, place: column === undefined ? {} : { column }, remedy });
