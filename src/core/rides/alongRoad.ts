import { splitLaps, type Lap } from './laps';
import { resample } from './overDistance';
import type { RideColumn, RideLog } from './rideLog';

/** What is compared along the road, in the order in which it is shown: `time` since the line, s, and channels of a log. */
export const ALONG = ['time', 'speed_mps', 'steer_deg', 'brake', 'throttle', 'torque_nm', 'ffb'] as const;
export type AlongChannel = (typeof ALONG)[number];

/** Mean of a ride's counted laps at places that are evenly far apart, from the line on. */
export interface AlongRoad {
  stepM: number;
  channels: Partial<Record<AlongChannel, Float64Array>>;
  /** Share of the laps in which the force is at full scale within a step of each place; `null` where no force was logged. */
  clips: Float64Array | null;
}

const ALONG_STEP_M = 10;

/** @returns `null` where no lap counts, or the log does not say how far it went */
export function alongRoad(log: RideLog, stepM = ALONG_STEP_M): AlongRoad | null {
  const { distance_m: distance, t_s: t } = log.columns;
  const laps = splitLaps(log).filter(({ counted }) => counted);
  if (!distance || laps.length === 0) return null;
  const length = Math.min(...laps.map(({ to }) => distance[to - 1]!));
  const places = Math.floor(length / stepM) + 1;
  if (!(places > 1)) return null;
  const meanOf = (values: Float64Array, fromStart: boolean) => {
    const sum = new Float64Array(places);
    for (const { from, to } of laps) {
      const lap = resample(distance, values, from, to, stepM, places);
      const start = fromStart ? lap[0]! : 0;
      for (let i = 0; i < places; i++) sum[i]! += (lap[i]! - start) / laps.length;
    }
    return sum;
  };
  const channels: AlongRoad['channels'] = { time: meanOf(t, true) };
  for (const name of ALONG) {
    const column = name === 'time' ? undefined : log.columns[name as RideColumn];
    if (column) channels[name] = meanOf(column, false);
  }
  return { stepM, channels, clips: clipsOf(log, laps, stepM, places) };
}

const FULL = 1;

function clipsOf({ columns }: RideLog, laps: readonly Lap[], stepM: number, places: number) {
  const { ffb, distance_m: distance } = columns;
  if (!ffb || !distance) return null;
  const share = new Float64Array(places);
  for (const { from, to } of laps) {
    const clipped = new Set<number>();
    for (let i = from; i < to; i++)
      if (Math.abs(ffb[i]!) >= FULL) clipped.add(Math.floor((distance[i]! - distance[from]!) / stepM));
    for (const place of clipped) if (place < places) share[place]! += 1 / laps.length;
  }
  return share;
}
