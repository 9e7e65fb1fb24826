import type { CarSpec } from '../vehicle/carSpec';
import { baseTorque } from './baseTorque';
import type { BaseForce, BaseHardware, TitleForce } from './forceSettings';
import { liftSmall } from './minimumForce';
import { stepRim } from './motorRim';
import { rollingCar } from './rollingCar';
import { torquePeakSlip } from './torquePeak';
import { understeerFactor } from './understeerCue';

const DEG = 180 / Math.PI;
const STEP_S = 0.001;
const RATE_HZ = 1000;
const LASTS_S = 6;
const JUDGED_S = 2;
/** Dry friction can hold 2° still and let 5° grow: both are tried. */
const RELEASED_DEG = [5, 2] as const;
const FLIES_OFF_DEG = 90;
const SAWS_DEG = 1;
const RINGS_DEG = 0.3;
const STICKS_DEG = 1;
const SETTLED_DEG = 1;
/** The picture's rate. */
const TRACE_EVERY = 10;

export type HandsOffVerdict = 'settles' | 'sticks' | 'rings' | 'saws';
/** From best to worst. */
const ORDER: readonly HandsOffVerdict[] = ['settles', 'sticks', 'rings', 'saws'];

/** What a rim does when it is let go. */
export interface HandsOff {
  verdict: HandsOffVerdict;
  /** When it stays within 1° for good, s; `null` where it does not. */
  settleS: number | null;
  /** Detrended RMS over the last 2 s, degrees. */
  rmsDeg: number;
  /** Of what is left of the movement; `null` where nothing moves. */
  frequencyHz: number | null;
  /** Angle every 10 ms, degrees, of the worse release. */
  trace: number[];
}

/** Everything between tyre and rim. */
export interface ForceChain {
  car: CarSpec;
  title: TitleForce;
  base: BaseForce;
  hardware: BaseHardware;
}

/**
 * Closed loop of chain, rim and car at a set speed, let go at rest 5° and 2° off centre; the worse of the two.
 * @param speedMps 1…100
 */
export function handsOff(chain: ForceChain, speedMps: number): HandsOff {
  const runs = RELEASED_DEG.map((from) => release(chain, speedMps, from));
  return runs.reduce((a, b) => (isWorse(b, a) ? b : a));
}

function isWorse(a: HandsOff, b: HandsOff): boolean {
  const by = ORDER.indexOf(a.verdict) - ORDER.indexOf(b.verdict);
  return by > 0 || (by === 0 && (a.settleS ?? Infinity) > (b.settleS ?? Infinity));
}

function release({ car, title, base, hardware }: ForceChain, speedMps: number, fromDeg: number): HandsOff {
  const rolling = rollingCar(car, speedMps);
  const motor = baseTorque(title, base, hardware, RATE_HZ);
  const rim = { angle: fromDeg / DEG, rate: 0 };
  const inertia = hardware.inertiaKgM2 + base.inertiaKgM2;
  const peak = torquePeakSlip(car);
  const steps = LASTS_S * RATE_HZ;
  const angles = new Float64Array(steps);
  let signal = 0;
  let due = 0;
  let ran = 0;
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
  }
  return judge(angles.subarray(0, ran), ran < steps);
}

function judge(angles: Float64Array, flewOff: boolean): HandsOff {
  const trace = Array.from(
    { length: Math.ceil(angles.length / TRACE_EVERY) },
    (_, i) => angles[i * TRACE_EVERY]!,
  );
  const tail = angles.subarray(Math.max(0, angles.length - JUDGED_S * RATE_HZ));
  const { rms, mean, frequencyHz } = ofTail(tail);
  const settleS = settledAt(angles);
  const verdict: HandsOffVerdict =
    flewOff || rms > SAWS_DEG
      ? 'saws'
      : rms > RINGS_DEG
        ? 'rings'
        : Math.abs(mean) > STICKS_DEG
          ? 'sticks'
          : 'settles';
  return { verdict, settleS: verdict === 'settles' ? settleS : null, rmsDeg: rms, frequencyHz, trace };
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
