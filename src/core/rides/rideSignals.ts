import { once } from '../force/once';
import { below, rateOf } from './logSignals';
import { lineOf, type LapSpan, type MedianLine } from './lapLine';
import type { RideLog } from './rideLog';

/** What a driver's hand does on purpose is slower than this; what the rim does by itself, and a tense hand, is faster. */
const STEERING_HZ = 0.6;
const TWITCH_HZ = 2;
/** A corner needs this many samples a period to be cut at. */
const LEAST_SAMPLES = 4;

/** Signals of a whole ride that several measures of its laps need, each worked out when it is first asked for. */
export interface RideSignals {
  /** Steering, degrees, without what is faster than 0.6 Hz; `null` where it was not logged, or too slowly. */
  slowSteering: () => Float64Array | null;
  /** Steering, degrees, faster than 2 Hz. */
  fastSteering: () => Float64Array | null;
  /** The driver's own line; `null` under two laps that count, or without a place. */
  line: () => MedianLine | null;
}

/** @param counted the laps that count */
export function rideSignals({ columns }: RideLog, counted: readonly LapSpan[]): RideSignals {
  const slower = (hz: number) => {
    const { steer_deg: steer } = columns;
    const rate = rateOf(columns);
    return steer && Number.isFinite(rate) && rate >= LEAST_SAMPLES * hz ? below(steer, hz, rate) : null;
  };
  return {
    slowSteering: once(() => slower(STEERING_HZ)),
    fastSteering: once(() => {
      const slow = slower(TWITCH_HZ);
      return slow && slow.map((v, i) => columns.steer_deg![i]! - v);
    }),
    line: once(() => lineOf(columns, counted)),
  };
}
