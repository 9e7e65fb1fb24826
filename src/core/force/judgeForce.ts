import { bisect } from '../numeric/bisect';
import { median, quantile, sortedQuantile } from '../numeric/order';
import { lastWholeLap } from '../rides/laps';
import type { RideLog } from '../rides/rideLog';
import type { ForceInputs } from './forceInputs';
import type { ForceChain } from './handsOff';
import { lastGain, type ClippingSchool, type SortedSignal } from './bestGain';
import { clipEvents, forceSignal, type ClipEvent, type ClipKind, type ForceSignal } from './clipEvents';
import { rideForce, type RideForce } from './rideForce';
import { columnTorque, type TitleSignal } from './titleSignal';

/** Length of a piece of road that is drawn as one, m. */
const PIECE_M = 4;
const CURVE_POINTS = 120;
/** What counts as a corner, of the ride's own P95 of lateral acceleration. */
const CORNER_SHARE = 0.4;

/** Lateral acceleration from which a ride corners, m/s². */
export function corneringFrom(lateralMps2: Float64Array): number {
  return lateralMps2.length === 0 ? 0 : CORNER_SHARE * quantile(lateralMps2.map(Math.abs), 0.95);
}
const MOVING_MPS = 1;

/** One lap of the force over distance: the greatest of each piece, as full scale, and what clips there. */
export interface ForceTrace {
  stepM: number;
  level: number[];
  kind: (ClipKind | null)[];
}

/** What a chain makes of a ride. */
export interface ForceJudgement {
  clipShare: number;
  sustainedShare: number;
  events: number;
  p999: number;
  headroomDb: number | null;
  /** Greatest level of each part of the time, from the highest down: share of the time against gain·|Σ|. */
  sorted: { share: number; level: number }[];
  trace: ForceTrace;
  /** Median torque in corners, N·m; and what the car's own column would ask of the hands there. */
  cornerNm: number;
  carCornerNm: number;
  peakNm: number;
  /** Share of moving time in which the motor asks for less than its own friction. */
  lostShare: number;
  /** P10 of |u| on track, where anything is given. */
  weakest: number;
}

/** A ride through a chain, ready for questions that only differ in gain; levels are |Σ| at a gain of 1. */
export interface JudgedForce extends SortedSignal {
  judgement: ForceJudgement;
  title: TitleSignal;
  /** The signal at another gain, where there are effects that are not scaled by it. */
  at?: (gain: number) => SortedSignal;
}

/** What was made of a sum already. */
const signals = new WeakMap<Float64Array, SortedSignal>();

export function judgeForce(inputs: ForceInputs, chain: ForceChain, seed: number): JudgedForce {
  const force = rideForce(inputs, chain, seed);
  const { gain, unscaledByGain = [] } = chain.title;
  const { sum, effects } = force.signal;
  const signalOf = (signed: Float64Array): SortedSignal => {
    const signal = forceSignal(inputs.t, signed, inputs.surface);
    return { signal, sorted: signal.level.slice().sort() };
  };
  // The same sum is the same signal: only what hangs on the gain and on the base is worked out anew.
  if (!signals.has(sum)) signals.set(sum, signalOf(sum));
  const { signal, sorted } = signals.get(sum)!;
  /** What stands beside the gain is less of the signal where that is more. */
  const at = (other: number) =>
    signalOf(
      sum.map((value, i) =>
        unscaledByGain.reduce((all, one) => all + (gain / other - 1) * effects[one][i]!, value),
      ),
    );
  const road = { lap: inputs.lap, distanceM: inputs.distanceM };
  return {
    title: force.signal,
    signal,
    sorted,
    ...(unscaledByGain.length > 0 && { at }),
    judgement: {
      ...judgeSignal({ signal, sorted, gain, signed: sum, ...road }),
      ...torques(inputs, force, chain),
    },
  };
}

/** What any force signal says by itself, wherever it comes from. */
export type SignalJudgement = Pick<
  ForceJudgement,
  'clipShare' | 'sustainedShare' | 'events' | 'p999' | 'headroomDb' | 'sorted' | 'trace'
>;

interface SignalOnRoad {
  signal: ForceSignal;
  sorted: Float64Array;
  gain: number;
  /** Σ with its sign. */
  signed: Float64Array;
  lap: Float64Array;
  distanceM: Float64Array;
}

function judgeSignal(of: SignalOnRoad): SignalJudgement {
  const { signal, sorted, gain } = of;
  const events = clipEvents(signal, gain);
  const total = Math.max(1, signal.level.length);
  const clipped = (some: typeof events) => some.reduce((all, event) => all + event.clipped, 0);
  const p999 = gain * sortedQuantile(sorted, 0.999);
  return {
    clipShare: clipped(events) / total,
    sustainedShare: clipped(events.filter(({ kind }) => kind === 'sustained')) / total,
    events: events.length,
    p999,
    headroomDb: p999 > 0 ? 20 * Math.log10(1 / p999) : null,
    sorted: sortedCurve(sorted, gain),
    trace: traceOf(of, events),
  };
}

/** A ride that was logged, simulated or elsewhere, as it would be with other gains. */
export interface JudgedLog extends SortedSignal {
  judgement: SignalJudgement;
}

/**
 * @param loggedGain gain that the log was driven with, @param gain that is asked for; both factors on Σ
 * @returns `null` where the log holds no force
 */
export function judgeLog({ columns }: RideLog, loggedGain: number, gain: number): JudgedLog | null {
  const { t_s: t, ffb, lap, distance_m: distance, surface } = columns;
  if (!ffb || t.length < 2 || loggedGain <= 0) return null;
  const signed = ffb.map((value) => value / loggedGain);
  const signal = forceSignal(t, signed, surface ?? null);
  const sorted = signal.level.slice().sort();
  const none = () => new Float64Array(t.length);
  const road = { lap: lap ?? none(), distanceM: distance ?? none() };
  return { judgement: judgeSignal({ signal, sorted, gain, signed, ...road }), signal, sorted };
}

/** More points where the levels are high: that is where gains are decided. */
function sortedCurve(sorted: Float64Array, gain: number): ForceJudgement['sorted'] {
  return Array.from({ length: CURVE_POINTS + 1 }, (_, i) => {
    const share = (i / CURVE_POINTS) ** 3;
    return { share, level: gain * sortedQuantile(sorted, 1 - share) };
  });
}

/** The last whole lap; of a ride without one, all of it. */
function traceOf({ lap, distanceM, signal, signed, gain }: SignalOnRoad, events: ClipEvent[]): ForceTrace {
  const last = lastWholeLap(lap);
  const most = distanceM.reduce((a, b) => Math.max(a, b), 0);
  const count = Math.max(1, Math.ceil(most / PIECE_M));
  const level = new Array<number>(count).fill(0);
  const kind = new Array<ClipKind | null>(count).fill(null);
  const piece = (i: number) => Math.min(count - 1, Math.floor(distanceM[i]! / PIECE_M));
  for (let i = 0; i < lap.length; i++) {
    if (lap[i] !== last) continue;
    const k = piece(i);
    if (Math.abs(gain * signed[i]!) > Math.abs(level[k]!)) level[k] = gain * signed[i]!;
  }
  for (const event of events)
    for (let i = event.from; i < event.to; i++)
      if (lap[i] === last && gain * signal.level[i]! >= 1) kind[piece(i)] = event.kind;
  return { stepM: PIECE_M, level, kind };
}

function torques(
  inputs: ForceInputs,
  { torqueNm, baseHz, signal }: RideForce,
  { hardware, car }: ForceChain,
): Pick<ForceJudgement, 'cornerNm' | 'carCornerNm' | 'peakNm' | 'lostShare' | 'weakest'> {
  const { t, lateralMps2, speedMps, rateHz, momentMechanical, momentPneumatic } = inputs;
  const corner = corneringFrom(lateralMps2);
  const inCorners: number[] = [];
  const ofTheCar: number[] = [];
  const given: number[] = [];
  let lost = 0;
  let moving = 0;
  let peakNm = 0;
  for (let i = 0; i < t.length; i++) {
    const torque = Math.abs(torqueNm[Math.min(torqueNm.length - 1, Math.round((i * baseHz) / rateHz))] ?? 0);
    peakNm = Math.max(peakNm, torque);
    if (Math.abs(lateralMps2[i]!) > corner) {
      inCorners.push(torque);
      ofTheCar.push(Math.abs(columnTorque(car, momentMechanical[i]!, momentPneumatic[i]!)));
    }
    if (speedMps[i]! < MOVING_MPS) continue;
    moving++;
    if (torque > 0 && torque < hardware.frictionNm) lost++;
    const u = Math.abs(signal.wanted[i]!);
    if (u > 0) given.push(Math.min(1, u));
  }
  return {
    cornerNm: inCorners.length === 0 ? 0 : median(inCorners),
    carCornerNm: ofTheCar.length === 0 ? 0 : median(ofTheCar),
    peakNm,
    lostShare: moving === 0 ? 0 : lost / moving,
    weakest: given.length === 0 ? 0 : quantile(given, 0.1),
  };
}

/** Clip share of the time at another gain. */
function clipShareAt(sorted: Float64Array, gain: number): number {
  if (sorted.length === 0) return 0;
  const first = bisect(-1, sorted.length, (i) => gain * sorted[i]! >= 1);
  return (sorted.length - first) / sorted.length;
}

/** What stands in front of the driver when a gain is chosen on a menu's own grid. */
export interface GainChoice {
  /** Index of the best value on the grid; −1 where even the least clips too much. */
  best: number;
  other: number;
  clipNow: number;
  clipAtBest: number;
  /** Clip share one step above the best; `null` at the end of the menu. */
  clipAbove: number | null;
  /** The other school's value is within a tenth: there is nothing to trade. */
  isSame: boolean;
}

const NOTHING_TO_TRADE = 0.1;

/** @param gains rising factors on Σ, one for each value of the grid; @param now the factor in force */
export function chooseGain(
  judged: Pick<JudgedForce, 'signal' | 'sorted' | 'at'>,
  gains: readonly number[],
  now: number,
  school: ClippingSchool,
): GainChoice {
  const signalAt = (gain: number) => judged.at?.(gain) ?? judged;
  const clipsAt = (gain: number) => clipShareAt(signalAt(gain).sorted, gain);
  const best = lastGain(signalAt, gains, school);
  const other = lastGain(signalAt, gains, school === 'none' ? 'trade' : 'none');
  const at = (i: number) => (i < 0 ? 0 : gains[i]!);
  const [low, high] = [Math.min(at(best), at(other)), Math.max(at(best), at(other))];
  return {
    best,
    other,
    clipNow: clipsAt(now),
    clipAtBest: clipsAt(at(best)),
    clipAbove: best + 1 < gains.length ? clipsAt(at(best + 1)) : null,
    isSame: high > 0 && high / Math.max(low, 1e-9) - 1 < NOTHING_TO_TRADE,
  };
}

/**
 * Minimum force that lifts the weakest wanted signal over the friction: m = (F_c/(strength·T_rated) − P10)/(1 − P10), at
 * least 0.
 */
export function wantedMinForce({ hardware, base }: ForceChain, weakest: number): number {
  const friction = hardware.frictionNm / Math.max(1e-6, base.strength * hardware.ratedNm);
  return Math.max(0, (friction - weakest) / Math.max(1e-6, 1 - weakest));
}
