import type { RideLog } from './rideLog';

/** Rates are taken over this much time: shorter ones are the sensor's noise. */
const OVER_S = 0.1;

/**
 * Throttle smoothness of a ride: RMS of the throttle's rate of change, 1/s; less is smoother.
 * @returns `null` without a throttle column, or where the log is too short
 */
export function throttleSmoothness({ columns }: RideLog): number | null {
  const { t_s: t, throttle } = columns;
  if (!throttle || t.length < 2) return null;
  let sum = 0;
  let count = 0;
  let from = 0;
  for (let i = 1; i < t.length; i++) {
    const took = t[i]! - t[from]!;
    if (took < OVER_S) continue;
    const rate = (throttle[i]! - throttle[from]!) / took;
    sum += rate * rate;
    count++;
    from = i;
  }
  return count === 0 ? null : Math.sqrt(sum / count);
}
