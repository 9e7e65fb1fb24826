import { lowPass, section } from '../numeric/biquad';

/** Turns the title's slow steps into a signal at the base's rate. */
export interface Reconstruction {
  /** The signal now; `level` is the title's newest value, `isNew` where it has just come. */
  next(level: number, isNew: boolean): number;
}

/**
 * Linear ramp to each new value over `interpolation` title samples (1 holds), then a low-pass of second order.
 * @param titleHz rate of the title, @param baseHz rate of the base
 */
export function reconstruction(
  interpolation: number,
  smoothHz: number | null,
  titleHz: number,
  baseHz: number,
): Reconstruction {
  const rampSteps = interpolation <= 1 ? 0 : (interpolation * baseHz) / titleHz;
  const smooth = smoothHz === null || smoothHz >= baseHz / 2 ? null : section(lowPass(smoothHz, baseHz));
  let value = 0;
  let slope = 0;
  let left = 0;
  return {
    next(level, isNew) {
      if (rampSteps === 0) value = level;
      else {
        if (isNew) {
          slope = (level - value) / rampSteps;
          left = rampSteps;
        }
        if (left > 0) {
          const part = left < 1 ? left : 1;
          value += slope * part;
          left -= 1;
        }
      }
      return smooth ? smooth.next(value) : value;
    },
  };
}
