/** Raw counts of one pedal's released and pressed end; released lies above pressed on an inverted axis. */
export interface PedalCalibration {
  released: number;
  pressed: number;
}

/** Travel of a raw reading, 0 released to 1 pressed, not clipped: a harder press may pass 1. */
export function travelOf(calibration: PedalCalibration, raw: number): number {
  return (raw - calibration.released) / (calibration.pressed - calibration.released);
}

export function clippedTravel(calibration: PedalCalibration, raw: number): number {
  return Math.min(1, Math.max(0, travelOf(calibration, raw)));
}
