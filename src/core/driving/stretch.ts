import { AXES, type AxisName } from '../axes/axes';
import type { CarSpec } from '../vehicle/carSpec';
import { planSpeed } from '../vehicle/speedPlan';
import type { Track } from '../vehicle/track';

/** Where a short ride goes: what a pedal does is felt on a straight or into a bend, what a wheel does in a weave. */
export const STRETCHES = ['straight', 'bend', 'weave'] as const;
export type StretchKind = (typeof STRETCHES)[number];

/** A short ride lasts so long, s. */
export const STRETCH_S = 6;

/** A piece of road that is driven for some seconds, rolling from its start. */
export interface Stretch {
  fromM: number;
  speedMps: number;
  seconds: number;
}

/** A straight is looked for over so much of the road. */
const LOOKED_OVER_M = 150;
/** The tightest place of a bend is come to after so long. */
const BEFORE_BEND_S = 2.5;
/** Of what the road allows: nobody sets out at the limit. */
const EASY = 0.85;
/** A weave is driven no faster, m/s. */
const WEAVE_MPS = 20;
/** A stop that every car of ours can do, m/s². */
export const USUAL_BRAKE_MPS2 = 6;

/** Where on a road a short ride begins, and how fast. */
export function stretchOf(track: Track, car: CarSpec, kind: StretchKind): Stretch {
  const plan = planSpeed(track, car, USUAL_BRAKE_MPS2);
  const start = kind === 'bend' ? beforeTightest(track, plan) : straightest(track);
  const speed = EASY * plan[start]!;
  return {
    fromM: start * track.stepM,
    speedMps: kind === 'weave' ? Math.min(WEAVE_MPS, speed) : speed,
    seconds: STRETCH_S,
  };
}

/** What a setting of an axis is felt in. */
export const stretchFor = (axis: AxisName): StretchKind => AXES[axis].feltIn;

/** The start of the piece of road that bends least. */
export function straightest({ curvature, stepM, spec }: Track): number {
  const n = curvature.length;
  const over = Math.min(n, Math.round(LOOKED_OVER_M / stepM));
  const last = spec.closed ? n : n - over + 1;
  let bent = 0;
  for (let i = 0; i < over; i++) bent += Math.abs(curvature[i]!);
  let [best, least] = [0, bent];
  for (let i = 1; i < last; i++) {
    bent += Math.abs(curvature[(i + over - 1) % n]!) - Math.abs(curvature[i - 1]!);
    // What differs by rounding alone is the same road: the first of them stays.
    if (bent < least - 1e-9) [best, least] = [i, bent];
  }
  return best;
}

/** So long before the tightest place, at the speed of the plan. */
const beforeTightest = (track: Track, plan: Float64Array): number =>
  before(tightest(track), BEFORE_BEND_S, track, plan);

/** Where a road bends most: of what differs by rounding alone the first. */
export function tightest({ curvature }: Track): number {
  let at = 0;
  for (let i = 1; i < curvature.length; i++)
    if (Math.abs(curvature[i]!) > Math.abs(curvature[at]!) + 1e-9) at = i;
  return at;
}

/** The place that lies so many seconds before another, at the speed of a plan; on an open road not before its start. */
export function before(
  place: number,
  wantedS: number,
  { stepM, spec, curvature: { length } }: Track,
  plan: Float64Array,
): number {
  let at = place;
  for (let seconds = 0; seconds < wantedS && (spec.closed || at > 0);)
    seconds += stepM / plan[(at = (at - 1 + length) % length)]!;
  return at;
}
