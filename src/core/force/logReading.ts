import type { RideLog } from '../rides/rideLog';
import type { CarSpec } from '../vehicle/carSpec';
import { brakeLimit, type BrakeLimit } from './brakeLimit';
import { fullScaleFromLog, type FullScale } from './fullScaleFromLog';
import { lapOutline, type LapOutline } from './lapOutline';
import { logParts, type LogParts } from './logParts';

/** What a log says whatever settings are tried on it. */
export interface LogReading {
  /** What it says of the car's full scale; `null` where it says nothing of it. */
  scale: FullScale | null;
  /** What the logged force is made of, and where the lap went. */
  parts: LogParts | null;
  outline: LapOutline | null;
  /** Where harder braking slows no more. */
  brake: BrakeLimit | null;
}

const readings = new WeakMap<RideLog, { of: string; reading: LogReading }>();

/**
 * Reads a log once, however often a slider is moved over it.
 * @param gain of the title when it was driven
 * @param isSimulated a simulated ride would only tell the full scale that was assumed for it
 */
export function logReading(log: RideLog, car: CarSpec, gain: number, isSimulated: boolean): LogReading {
  const of = JSON.stringify([car, gain, isSimulated]);
  const known = readings.get(log);
  if (known?.of === of) return known.reading;
  const reading: LogReading = {
    scale: isSimulated ? null : fullScaleFromLog(log, car, gain),
    parts: logParts(log),
    outline: lapOutline(log),
    brake: brakeLimit(log),
  };
  readings.set(log, { of, reading });
  return reading;
}
