import { mean, standardDeviation } from '../numeric/moments';
import type { Lap } from './laps';
import type { RideLog } from './rideLog';

/** What one lap says about the brake; `null` where the log lacks what is needed. */
export interface BrakeMeasures {
  /** Greatest brake of the lap, 0…1. */
  brakePeak: number | null;
  /** Spread (σ) of the full presses' peaks. */
  brakeSpread: number | null;
  /** Share of full-throttle time with brake over 1 %. */
  brakeDrag: number | null;
  /** Share of full presses that show 99.5 % or more. */
  brakeReach: number | null;
}

/** What a log without a brake says. */
export const NOTHING: BrakeMeasures = {
  brakePeak: null,
  brakeSpread: null,
  brakeDrag: null,
  brakeReach: null,
};

const FULL_THROTTLE = 0.99;
const DRAGGING = 0.01;
const SHOWS_FULL = 0.995;
/** Hysteresis that splits presses, and the part of the ride's greatest brake that makes a press a full one. */
const PRESS_STARTS = 0.1;
const PRESS_ENDS = 0.05;
const FULL_PRESS = 0.9;

/** Brake measures of a lap; `greatest` is the greatest brake of the whole ride. */
export function brakeMeasures(log: RideLog, lap: Pick<Lap, 'from' | 'to'>, greatest: number): BrakeMeasures {
  const brake = log.columns.brake?.subarray(lap.from, lap.to);
  const throttle = log.columns.throttle?.subarray(lap.from, lap.to);
  if (!brake) return NOTHING;
  const full = pressPeaks(brake).filter((peak) => peak >= FULL_PRESS * greatest);
  return {
    brakePeak: brake.reduce((a, b) => Math.max(a, b), 0),
    brakeSpread: full.length > 1 ? standardDeviation(full) : null,
    brakeDrag: throttle ? dragShare(brake, throttle) : null,
    brakeReach: full.length > 0 ? mean(full.map((peak) => (peak >= SHOWS_FULL ? 1 : 0))) : null,
  };
}

/** Peaks of the presses, split with hysteresis at 10 % and 5 %. */
export function pressPeaks(brake: Float64Array): number[] {
  const peaks: number[] = [];
  let peak: number | null = null;
  for (const value of brake) {
    if (peak === null && value > PRESS_STARTS) peak = value;
    else if (peak !== null && value < PRESS_ENDS) {
      peaks.push(peak);
      peak = null;
    } else if (peak !== null) peak = Math.max(peak, value);
  }
  if (peak !== null) peaks.push(peak);
  return peaks;
}

function dragShare(brake: Float64Array, throttle: Float64Array): number | null {
  let full = 0;
  let dragging = 0;
  for (let i = 0; i < brake.length; i++) {
    if (throttle[i]! < FULL_THROTTLE) continue;
    full++;
    if (brake[i]! > DRAGGING) dragging++;
  }
  return full > 0 ? dragging / full : null;
}
