import type { AxisName } from '../axes/axes';
import { clippedTravel, type PedalCalibration } from '../axes/calibration';
import { respond } from '../response/compose';
import type { ResponseLayer } from '../response/layer';
import type { RigSpec } from '../rig/rigSpec';
import { assistAt, type AssistedWheel } from './steeringAssist';
import { leverAt, type LiveLever } from './shifting';

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
  /** Steering that helps, where it is wanted. */
  assist?: AssistedWheel;
}

export const PEDALS = ['throttle', 'brake', 'clutch', 'handbrake', 'paddle_left', 'paddle_right'] as const;
export type PedalName = (typeof PEDALS)[number];

/** Two analogue paddles, and what they work. */
interface LivePaddles {
  mode: RigSpec['rim']['paddleMode'];
  /** Of a two-stage clutch: what the right one is worth, clutch travel. The left one is the whole clutch. */
  hold: number;
}

export interface LiveAxes {
  wheel: LiveWheel;
  /** Those that the rig has. */
  pedals: Partial<Record<PedalName, LivePedal>>;
  /** What the clutch paddles work; left out where they work nothing. */
  paddles?: LivePaddles;
  /** The lever that shifts; left out where none does. */
  lever?: LiveLever;
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
  /** Where the lever stands; `null` where none was heard. */
  lever: number | null;
  /** Each pedal and paddle by itself. */
  each: Partial<Record<PedalName, number>>;
}

export const NO_INPUT: LiveInput = {
  ...{ hand: 0, throttle: 0, brake: 0, clutch: 0, handbrake: 0 },
  lever: null,
  each: {},
};

const RAD = Math.PI / 180;

/**
 * What the car hears of raw counts. A count that is no number is passed over: the one before it holds.
 * @param speedMps of the car, which a steering that helps goes by
 */
export function heard(
  { wheel, pedals, paddles, lever }: LiveAxes,
  raw: RawAxes,
  before: LiveInput,
  speedMps = 0,
): LiveInput {
  const each = { ...before.each };
  for (const name of PEDALS) {
    const pedal = pedals[name];
    const value = raw[name];
    if (pedal && value !== undefined && Number.isFinite(value))
      each[name] = respond(pedal.layers, clippedTravel(pedal.calibration, value));
  }
  const next: LiveInput = {
    ...before,
    each,
    throttle: each.throttle ?? 0,
    brake: each.brake ?? 0,
    ...worked(each, paddles),
  };
  const { steering, gear } = raw;
  if (steering !== undefined && Number.isFinite(steering)) next.hand = handOf(wheel, steering, speedMps);
  if (lever && gear !== undefined && Number.isFinite(gear)) next.lever = leverAt(lever, gear);
  return next;
}

/** Clutch and handbrake, by pedal, lever and paddles: whichever is pulled most. */
function worked(
  { clutch = 0, handbrake = 0, paddle_left: left = 0, paddle_right: right = 0 }: LiveInput['each'],
  paddles: LivePaddles | undefined,
): Pick<LiveInput, 'clutch' | 'handbrake'> {
  switch (paddles?.mode) {
    case 'both-clutch':
      return { clutch: Math.max(clutch, left, right), handbrake };
    case 'two-stage':
      return { clutch: Math.max(clutch, left, paddles.hold * right), handbrake };
    case 'clutch-handbrake':
      return { clutch: Math.max(clutch, left), handbrake: Math.max(handbrake, right) };
    default:
      return { clutch, handbrake };
  }
}

function handOf(
  { centre, countsPerDeg, gain, lockDeg, layers, assist }: LiveWheel,
  raw: number,
  speedMps: number,
): number {
  const half = lockDeg / 2;
  const turned = ((raw - centre) / countsPerDeg) * gain * (assist ? assistAt(assist, speedMps) : 1);
  const share = Math.min(1, Math.abs(turned) / half);
  return Math.sign(turned) * respond(layers, share) * half * RAD;
}

/** A foot that is off, or only rests. */
const AT_REST = 0.12;

/** Whether every pedal was seen at rest: after a pause nothing goes on before. */
export const feetOff = ({ throttle, brake, clutch, handbrake }: LiveInput): boolean =>
  Math.max(throttle, brake, clutch, handbrake) < AT_REST;
