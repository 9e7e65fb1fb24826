import { steadySlide } from '../slides/steadySlide';
import type { CarSpec } from '../vehicle/carSpec';
import { makeTwoTrack } from '../vehicle/twoTrack';
import { DRILL_NAMES, type DrillName } from './measureDrill';

/** The slide that is to be held on the circle of the drills, m and rad. */
export const CIRCLE_M = 25;
export const HELD_RAD = (20 * Math.PI) / 180;

/** The drills that a car can be driven in: one that no throttle holds in a slide holds no angle. */
export function drillsFor(car: CarSpec): DrillName[] {
  const holds = steadySlide(makeTwoTrack(car), CIRCLE_M, -HELD_RAD) !== null;
  return DRILL_NAMES.filter((name) => name !== 'hold-angle' || holds);
}
