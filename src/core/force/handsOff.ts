import { contentKey, memoize } from './memoize';
import type { CarSpec } from '../vehicle/carSpec';
import { baseTorque } from './baseTorque';
import type { BaseForce, BaseHardware, TitleForce } from './forceSettings';
import { liftSmall } from './minimumForce';
import { rimAt, stepRim } from './motorRim';
import { rollingCar } from './rollingCar';
import { torquePeakSlip } from './torquePeak';
import { understeerFactor } from './understeerCue';

const DEG = 180 / Math.PI;
const STEP_S = 0.001;
const RATE_HZ = 1000;
const LASTS_S = 6;
const JUDGED_S = 2;
/** Dry friction can hold 2° still and let 5° grow, and sawing grows with its amplitude: all are tried. */
const RELEASED_DEG = [5, 2, 15] as const;
const FLIES_OFF_DEG = 90;
const SAWS_DEG = 1;
const RINGS_DEG = 0.3;
const STICKS_DEG = 1;
const SETTLED_DEG = 1;
/** A rim and a car in which nothing has moved for so long stay as they are. */
const AT_REST_S = 0.7;
const STIRRED_DEG = 1e-4;
/** Over the last two seconds. */
const STANDS_DEG = 0.05;
/** The picture's rate. */
const TRACE_EVERY = 10;

export type HandsOffVerdict = 'settles' | 'sticks' | 'rings' | 'saws';
/** From best to worst. */
const ORDER: readonly HandsOffVerdict[] = ['settles', 'sticks', 'rings', 'saws'];

/** Speeds at which a rim is let go, m/s: a slow roll, and a fast straight. */
export const ROLL_MPS = 5.5;
export const FAST_MPS = 40;

/** What a rim does when it is let go. */
export interface HandsOff {
  verdict: HandsOffVerdict;
  /** How far off centre it was let go, degrees. */
  fromDeg: number;
  /** When it stays within 1° for good, s; `null` where it does not. */
  settleS: number | null;
  /** Detrended RMS over the last 2 s, degrees. */
  rmsDeg: number;
  /** Of what is left of the movement; `null` where nothing moves. */
  frequencyHz: number | null;
  /** Angle every 10 ms, degrees, of the worst release. */
  trace: readonly number[];
}

/** Everything between tyre and rim. */
export interface ForceChain {
  car: CarSpec;
  title: TitleForce;
  base: BaseForce;
  hardware: BaseHardware;
}

/**
 * Closed loop of chain, rim and car at a set speed, let go at rest 5°, 2° and 15° off centre; the worst of them.
 * @param speedMps 1…100
 */
export function handsOff(chain: ForceChain, speedMps: number): HandsOff {
  return RELEASED_DEG.map((from) => release(chain, speedMps, from)).reduce((a, b) => (isWorse(b, a) ? b : a));
}

/**
 * Whether nothing moves by itself: let go anywhere, the rim is home in time or held by its friction. Looks no further than
 * the first release that moves.
 */
export function isStillWithin(chain: ForceChain, speedMps: number, withinS: number): boolean {
  return everyRelease(
    chain,
    speedMps,
    ({ verdict, settleS, trace }) =>
      (verdict === 'sticks' && stands(trace)) ||
      (verdict === 'settles' && settleS !== null && settleS <= withinS),
  );
}

/** Whether nothing moves by itself in the end, however long it takes. */
export function isStill(chain: ForceChain, speedMps: number): boolean {
  return everyRelease(chain, speedMps, ({ verdict }) => verdict === 'settles' || verdict === 'sticks');
}

/** The widest first: it is the first to move as a rule, and then no other is asked. */
const everyRelease = (chain: ForceChain, speedMps: number, holds: (one: HandsOff) => boolean): boolean =>
  RELEASED_DEG.toReversed().every((from) => holds(release(chain, speedMps, from)));

/**
 * How much a rim moves by itself at a speed: 0 where every release comes to rest; else, of the releases that do not, how
 * many there are, and less for a smaller movement.
 */
export function unrest(chain: ForceChain, speedMps: number): number {
  return RELEASED_DEG.reduce((sum, from) => {
    const { verdict, rmsDeg } = release(chain, speedMps, from);
    if (verdict === 'settles' || verdict === 'sticks') return sum;
    return sum + 1 + Math.min(1, rmsDeg / FLIES_OFF_DEG);
  }, 0);
}

/** Where a rim ends that is let go from the widest release, degrees off centre: friction may hold it anywhere on its way. */
export function restDeg(chain: ForceChain, speedMps: number): number {
  return Math.abs(release(chain, speedMps, Math.max(...RELEASED_DEG)).trace.at(-1) ?? 0);
}

/** Held, and not only slow: a great damper brings a rim home for minutes. */
function stands(trace: readonly number[]): boolean {
  const tail = trace.slice(-Math.round((JUDGED_S * RATE_HZ) / TRACE_EVERY));
  return Math.abs(tail.at(-1)! - tail[0]!) < STANDS_DEG;
}

function isWorse(a: HandsOff, b: HandsOff): boolean {
  const by = ORDER.indexOf(a.verdict) - ORDER.indexOf(b.verdict);
  return by > 0 || (by === 0 && (a.settleS ?? Infinity) > (b.settleS ?? Infinity));
}

/** What a release hangs on; the effects of a title are not among it. */
type Released = Omit<ForceChain, 'title'> & { title: Omit<TitleForce, 'effects'> };

/** The searches for a damper, a spring and a minimum force ask for the same releases again and again; about 4 MB. */
const KEPT_RELEASES = 600;
const release = memoize(
  letGo,
  ({ car, title: { effects: _, ...title }, base, hardware }: ForceChain, speedMps, fromDeg) =>
    contentKey([car, title, base, hardware, speedMps, fromDeg]),
  KEPT_RELEASES,
);

function letGo({ car, title, base, hardware }: Released, speedMps: number, fromDeg: number): HandsOff {
  const rolling = rollingCar(car, speedMps);
  const motor = baseTorque(title, base, hardware, RATE_HZ);
  const rim = rimAt(fromDeg / DEG);
  const inertia = hardware.inertiaKgM2 + base.inertiaKgM2;
  const peak = torquePeakSlip(car);
  const steps = LASTS_S * RATE_HZ;
  const angles = new Float64Array(steps);
  let signal = 0;
  let due = 0;
  let ran = 0;
  let [stoodAt, stoodFrom] = [Infinity, 0];
  for (; ran < steps; ran++) {
    const isNew = ran * STEP_S >= due - STEP_S / 2;
    if (isNew) {
      due += 1 / title.rateHz;
      const cue = understeerFactor(rolling.slipFront, peak, title.understeerCue);
      const wanted = (title.gain * cue * rolling.columnNm) / car.fullScaleNm;
      signal = liftSmall(Math.min(1, Math.max(-1, wanted)), title.minForce);
    }
    const torque = motor.next(signal, isNew, rim, speedMps);
    stepRim(rim, torque, inertia, hardware.viscousNms, hardware.frictionNm, STEP_S);
    rolling.step(rim.angle, STEP_S);
    angles[ran] = rim.angle * DEG;
    if (!(Math.abs(angles[ran]!) <= FLIES_OFF_DEG)) break;
    if (Math.abs(angles[ran]! - stoodAt) > STIRRED_DEG) {
      stoodAt = angles[ran]!;
      stoodFrom = ran;
    } else if (ran - stoodFrom > AT_REST_S * RATE_HZ) {
      // Rim and car have come to rest: nothing will move them any more.
      angles.fill(angles[ran]!, ran);
      ran = steps;
    }
  }
  return { fromDeg, ...judge(angles.subarray(0, ran), ran < steps) };
}

function judge(angles: Float64Array, flewOff: boolean): Omit<HandsOff, 'fromDeg'> {
  const trace = Array.from(
    { length: Math.ceil(angles.length / TRACE_EVERY) },
    (_, i) => angles[i * TRACE_EVERY]!,
  );
  const tail = angles.subarray(Math.max(0, angles.length - JUDGED_S * RATE_HZ));
  const { rms, mean, frequencyHz } = ofTail(tail);
  const settleS = settledAt(angles);
  const verdict = flewOff ? 'saws' : verdictOf(rms, mean);
  return { verdict, settleS: verdict === 'settles' ? settleS : null, rmsDeg: rms, frequencyHz, trace };
}

function verdictOf(rms: number, mean: number): HandsOffVerdict {
  if (rms > SAWS_DEG) return 'saws';
  if (rms > RINGS_DEG) return 'rings';
  return Math.abs(mean) > STICKS_DEG ? 'sticks' : 'settles';
}

/** RMS about the straight line through the tail, its mean, and the frequency from its crossings of that line. */
function ofTail(tail: Float64Array): { rms: number; mean: number; frequencyHz: number | null } {
  const n = tail.length;
  if (n < 2) return { rms: 0, mean: tail[0] ?? 0, frequencyHz: null };
  let sum = 0;
  let first = 0;
  for (let i = 0; i < n; i++) {
    sum += tail[i]!;
    first += (i - (n - 1) / 2) * tail[i]!;
  }
  const mean = sum / n;
  const slope = first / ((n * (n * n - 1)) / 12);
  let energy = 0;
  let crossings = 0;
  let from = -1;
  let to = -1;
  let before = 0;
  for (let i = 0; i < n; i++) {
    const left = tail[i]! - mean - slope * (i - (n - 1) / 2);
    energy += left * left;
    if (before < 0 && left >= 0) {
      crossings++;
      if (from < 0) from = i;
      to = i;
    }
    if (left !== 0) before = left;
  }
  const rms = Math.sqrt(energy / n);
  const isMoving = rms > NOTHING_DEG && crossings > 1;
  return { rms, mean, frequencyHz: isMoving ? ((crossings - 1) * RATE_HZ) / (to - from) : null };
}

/** A movement smaller than this is none. */
const NOTHING_DEG = 1e-3;

function settledAt(angles: Float64Array): number | null {
  let i = angles.length;
  while (i > 0 && Math.abs(angles[i - 1]!) <= SETTLED_DEG) i--;
  return i === angles.length ? null : i * STEP_S;
}
