import type { ClippingSchool } from './bestGain';
import type { SmoothingSchool } from './smoothing';
import type { SpringSchool } from './springAdvice';
import type { WeightSchool } from './weight';

/** Where practitioners disagree about the force, and on which side a driver is. */
export interface ForceSchools {
  clipping: ClippingSchool;
  smoothing: SmoothingSchool;
  spring: SpringSchool;
  weight: WeightSchool;
}
