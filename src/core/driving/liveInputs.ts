import type { AxisName } from '../axes/axes';
import { clippedTravel, type PedalCalibration } from '../axes/calibration';
import { respond } from '../response/compose';
import type { ResponseLayer } from '../response/layer';

/** A pedal as it is driven with: exactly the calibration and the response under test. */
export interface LivePedal {
  calibration: PedalCalibration;
  layers: ResponseLayer[];
}

/** The rim as it is driven with. */
export interface LiveWheel {
  /** Raw count in the middle, and raw counts per degree to the left (negative where left reads lower). */
  centre: number;
  countsPerDeg: number;
  /** Virtual degrees per degree of the hands, and the car's lock to lock. */
  gain: number;
  lockDeg: number;
  layers: ResponseLayer[];
}

export const PEDALS = ['throttle', 'brake', 'clutch', 'handbrake'] as const;
export type PedalName = (typeof PEDALS)[number];

export interface LiveAxes {
  wheel: LiveWheel;
  /** Those that the rig has. */
  pedals: Partial<Record<PedalName, LivePedal>>;
}

/** Raw counts as a device gave them last; what it does not give stays away. */
export type RawAxes = Partial<Record<AxisName, number>>;

export interface LiveInput {
  /** Hand wheel as the car has it, rad, left positive. */
  hand: number;
  throttle: number;
  brake: number;
  clutch: number;
  handbrake: number;
}

export const NO_INPUT: LiveInput = { hand: 0, throttle: 0, brake: 0, clutch: 0, handbrake: 0 };

const RAD = Math.PI / 180;

/** What the car hears of raw counts. A count that is no number is passed over: the one before it holds. */
export function heard({ wheel, pedals }: LiveAxes, raw: RawAxes, before: LiveInput): LiveInput {
  const next = { ...before };
  for (const name of PEDALS) {
    const pedal = pedals[name];
    const value = raw[name];
    if (pedal && value !== undefined && Number.isFinite(value))
      next[name] = respond(pedal.layers, clippedTravel(pedal.calibration, value));
  }
  const at = raw.steering;
  if (at !== undefined && Number.isFinite(at)) next.hand = handOf(wheel, at);
  return next;
}

function handOf({ centre, countsPerDeg, gain, lockDeg, layers }: LiveWheel, raw: number): number {
  const half = lockDeg / 2;
  const turned = ((raw - centre) / countsPerDeg) * gain;
  const share = Math.min(1, Math.abs(turned) / half);
  return Math.sign(turned) * respond(layers, share) * half * RAD;
}

/** A foot that is off, or only rests. */
const AT_REST = 0.12;

/** Whether every pedal was seen at rest: after a pause nothing goes on before. */
export const feetOff = ({ throttle, brake, clutch, handbrake }: LiveInput): boolean =>
  Math.max(throttle, brake, clutch, handbrake) < AT_REST;
