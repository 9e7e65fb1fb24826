import { GRAVITY } from '../vehicle/carSpec';
import { baseTorque } from './baseTorque';
import type { ForceChain } from './handsOff';
import { liftSmall } from './minimumForce';
import { frictionLed, type RimState } from './motorRim';
import { rollingCar } from './rollingCar';
import { torquePeakSlip } from './torquePeak';
import { understeerFactor } from './understeerCue';

const RATE_HZ = 1000;
const WEAVE_HZ = 0.2;
/** Speed of the weave, m/s. */
export const WEAVE_MPS = 28;
const TO_G = 0.2;
/** From one side to the other. */
export const WEAVE_WIDTH_G = 2 * TO_G;
const GRADIENT_G = 0.1;
/** The first weave settles the tyres; the second is judged. */
const WEAVES = 2;
/** Amplitudes are corrected this often until the weave reaches its lateral acceleration. */
const CORRECTIONS = 3;
const TRACE_POINTS = 200;
const DEG = 180 / Math.PI;

/** Torque in the hands through a gentle weave. */
export interface OnCentre {
  /** Torque where the lateral acceleration crosses zero, N·m: half the loop's height there. */
  torqueAtZeroNm: number;
  /** N·m per g between ±0.1 g, of both ways together, without the jump of the minimum force. */
  gradientNmPerG: number;
  /** Width in g, of the 0.4 g driven, in which the motor asks for less than its own friction. */
  deadBandG: number;
  /** Height of the loop, N·m: over lateral acceleration at 0 g, and over the hand's angle at 0°. */
  hysteresisByG: number;
  hysteresisByAngle: number;
  /** Jump of the torque across the centre that minimum force makes, N·m. */
  minForceStepNm: number;
  /** The loop: lateral acceleration in g, hand angle in degrees, torque in the hands in N·m. */
  loop: { g: number; handDeg: number; torqueNm: number }[];
}

interface Weave {
  g: Float64Array;
  hand: Float64Array;
  /** Torque that the hands give, and that of the motor alone. */
  handsNm: Float64Array;
  motorNm: Float64Array;
}

/**
 * On-centre weave at 0.2 Hz to ±0.2 g and 28 m/s (after ISO 13674-1), through title, base and motor. A filter that lags makes the
 * loop over lateral acceleration narrower without making the centre better: the loop over the hand's angle stands beside it.
 */
export function onCentre(chain: ForceChain): OnCentre {
  let amplitude = 0.1;
  let weave = drive(chain, amplitude);
  for (let i = 0; i < CORRECTIONS; i++) {
    const reached = weave.g.reduce((most, g) => Math.max(most, Math.abs(g)), 0);
    if (reached <= 0) break;
    amplitude *= TO_G / reached;
    weave = drive(chain, amplitude);
  }
  const { g, hand, handsNm, motorNm } = weave;
  const hysteresisByG = heightAtZero(g, handsNm);
  const { title, base, hardware } = chain;
  return {
    torqueAtZeroNm: hysteresisByG / 2,
    gradientNmPerG: slopeOf(chain.title.minForce > 0 ? drive(withoutJump(chain), amplitude) : weave),
    deadBandG: deadBand(g, motorNm, hardware.frictionNm),
    hysteresisByG,
    hysteresisByAngle: heightAtZero(hand, handsNm),
    minForceStepNm: 2 * title.minForce * base.strength * hardware.ratedNm,
    loop: Array.from({ length: TRACE_POINTS + 1 }, (_, k) => {
      const i = Math.min(g.length - 1, Math.round((k * (g.length - 1)) / TRACE_POINTS));
      return { g: g[i]!, handDeg: hand[i]! * DEG, torqueNm: handsNm[i]! };
    }),
  };
}

/** One weave with the hands on the rim: they give what the motor, friction and inertia do not. */
function drive({ car, title, base, hardware }: ForceChain, amplitude: number): Weave {
  const rolling = rollingCar(car, WEAVE_MPS);
  const motor = baseTorque(title, base, hardware, RATE_HZ);
  const peak = torquePeakSlip(car);
  const inertia = hardware.inertiaKgM2 + base.inertiaKgM2;
  const one = RATE_HZ / WEAVE_HZ;
  const w = 2 * Math.PI * WEAVE_HZ;
  const weave: Weave = {
    g: new Float64Array(one),
    hand: new Float64Array(one),
    handsNm: new Float64Array(one),
    motorNm: new Float64Array(one),
  };
  const rim: RimState = { angle: 0, rate: 0, twist: 0 };
  let signal = 0;
  let due = 0;
  for (let step = 0; step < WEAVES * one; step++) {
    const t = step / RATE_HZ;
    rim.angle = amplitude * Math.sin(w * t);
    rim.rate = amplitude * w * Math.cos(w * t);
    const isNew = t >= due - 0.5 / RATE_HZ;
    if (isNew) {
      due += 1 / title.rateHz;
      const cue = understeerFactor(rolling.slipFront, peak, title.understeerCue);
      const wanted = (title.gain * cue * rolling.columnNm) / car.fullScaleNm;
      signal = liftSmall(Math.min(1, Math.max(-1, wanted)), title.minForce);
    }
    const torque = motor.next(signal, isNew, rim, WEAVE_MPS);
    rolling.step(rim.angle, 1 / RATE_HZ);
    const friction = frictionLed(rim, hardware.frictionNm, inertia, 1 / RATE_HZ);
    const i = step - (WEAVES - 1) * one;
    if (i < 0) continue;
    const drag = hardware.viscousNms * rim.rate + friction;
    weave.g[i] = rolling.lateralMps2 / GRAVITY;
    weave.hand[i] = rim.angle;
    weave.motorNm[i] = torque;
    weave.handsNm[i] = drag - torque - inertia * w * w * rim.angle;
  }
  return weave;
}

/** What minimum force leaves of the signal beside its jump: the same line, without it. */
function withoutJump(chain: ForceChain): ForceChain {
  const { gain, minForce } = chain.title;
  return { ...chain, title: { ...chain.title, gain: gain * (1 - minForce), minForce: 0 } };
}

/** Least squares near the centre, both ways together. */
function slopeOf({ g, handsNm }: Weave): number {
  let [gg, gt] = [0, 0];
  for (let i = 0; i < g.length; i++) {
    if (Math.abs(g[i]!) > GRADIENT_G) continue;
    gg += g[i]! * g[i]!;
    gt += g[i]! * handsNm[i]!;
  }
  return gg > 0 ? gt / gg : 0;
}

/** Height of a loop where x crosses zero: the torque on its way up less that on its way down. */
function heightAtZero(x: Float64Array, torque: Float64Array): number {
  const up: number[] = [];
  const down: number[] = [];
  for (let i = 0; i < x.length; i++) {
    const next = (i + 1) % x.length;
    const [a, b] = [x[i]!, x[next]!];
    if (a < 0 === b < 0 || a === b) continue;
    const at = torque[i]! + (a / (a - b)) * (torque[next]! - torque[i]!);
    (b > a ? up : down).push(at);
  }
  const mean = (values: number[]) =>
    values.length === 0 ? 0 : values.reduce((sum, v) => sum + v, 0) / values.length;
  return mean(up) - mean(down);
}

function deadBand(g: Float64Array, motorNm: Float64Array, frictionNm: number): number {
  let dead = 0;
  let travelled = 0;
  for (let i = 0; i < g.length; i++) {
    const step = Math.abs(g[(i + 1) % g.length]! - g[i]!);
    travelled += step;
    if (Math.abs(motorNm[i]!) < frictionNm) dead += step;
  }
  return travelled > 0 ? (WEAVE_WIDTH_G * dead) / travelled : 0;
}
