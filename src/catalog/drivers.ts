import type { FootHabits } from '@/core/axes/foot';
import { AXES, type PedalAxis } from '@/core/axes/axes';

/** Drivers are called by their shift; each has feet of their own. */
export const DRIVERS = ['Dawn shift', 'Noon shift', 'Late shift'] as const;

const BRAKE_FEET: Record<string, FootHabits> = {
  'Dawn shift': { restTravel: 0.004, restWander: 0.0008, pressTravel: 0.93, pressSpread: 0.013 },
  'Noon shift': { restTravel: 0.018, restWander: 0.0018, pressTravel: 0.82, pressSpread: 0.021 },
  'Late shift': { restTravel: 0.031, restWander: 0.0025, pressTravel: 0.87, pressSpread: 0.016 },
};

/** By everybody alike: pressed against the stop, for which more than the way is asked for. */
const TO_THE_STOP: FootHabits = {
  restTravel: 0.003,
  restWander: 0.0006,
  pressTravel: 1.03,
  pressSpread: 0.01,
};
/** A lever is pulled to where it feels full. */
const TO_FULL: FootHabits = {
  restTravel: 0,
  restWander: 0,
  pressTravel: 0.9,
  pressSpread: 0.014,
  takeupTravel: 0.07,
};

export function habitsOf(driver: string, axis: PedalAxis): FootHabits {
  if (axis === 'brake') return BRAKE_FEET[driver] ?? BRAKE_FEET['Late shift']!;
  return AXES[axis].limb === 'Hand' ? TO_FULL : TO_THE_STOP;
}

/** The foot on the brake. */
export const footOf = (driver: string): FootHabits => habitsOf(driver, 'brake');
