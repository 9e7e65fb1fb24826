import { clippedTravel, type PedalCalibration } from './calibration';
import type { AxisName } from './axes';
import type { Recording } from './recording';

/** Phases in which a foot does what it does while driving; sweeps go over everything alike. */
const AS_DRIVEN = /^(cover|press)$/;
/** Travel below this is a pedal that nobody touches. */
const TOUCHED = 0.005;

/**
 * How the time of a capture's resting and pressing foot lies over the travel: shares that add up to 1 over equal bins
 * from released to full.
 * @returns `null` where the capture has neither phase
 */
export function captureHistogram(
  { runs, axes }: Recording,
  axis: AxisName,
  calibration: PedalCalibration,
  bins: number,
): number[] | null {
  const raw = axes[axis];
  const counts = new Array<number>(bins).fill(0);
  let counted = 0;
  for (const { label, from, to } of runs) {
    if (!raw || !AS_DRIVEN.test(label)) continue;
    for (const reading of raw.subarray(from, to)) {
      const travel = clippedTravel(calibration, reading);
      if (travel < TOUCHED) continue;
      counts[Math.min(bins - 1, Math.floor(travel * bins))]!++;
      counted++;
    }
  }
  return counted === 0 ? null : counts.map((count) => count / counted);
}
