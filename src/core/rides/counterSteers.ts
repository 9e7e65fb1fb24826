import type { LapSpan } from './lapLine';
import type { RideLog } from './rideLog';

/** A car turns, its rear slides, and the hand is across from where it turns to: less of each is straight driving. */
const LEAST_YAW_RADPS = 0.1;
const LEAST_SLIP_RAD = (4 * Math.PI) / 180;
const LEAST_HAND_DEG = 5;
/** Catches that are closer than this are one, and shorter ones none. */
const JOINED_S = 0.3;
const LEAST_S = 0.1;

/** How often the hand steered against a slide, and how long it took on average until the rear was back. */
export interface CounterSteers {
  count: number;
  /** Seconds; `null` where there was none. */
  catchS: number | null;
}

/**
 * Counter-steer events of a lap: the hand points against the yaw while the rear slips by 4° or more. It lasts until the rear
 * slips less than that again. Angles left positive.
 * @returns `null` without steering, yaw and the rear's slip
 */
export function counterSteers({ columns }: RideLog, { from, to }: LapSpan): CounterSteers | null {
  const { t_s: t, steer_deg: steer, yaw_radps: yaw, slip_rear_rad: slip } = columns;
  if (!steer || !yaw || !slip) return null;
  const events: { start: number; end: number }[] = [];
  let open: { start: number; end: number } | null = null;
  for (let i = from; i < to; i++) {
    const slides = Math.abs(slip[i]!) >= LEAST_SLIP_RAD && Math.abs(yaw[i]!) >= LEAST_YAW_RADPS;
    const isAcross = slides && Math.abs(steer[i]!) >= LEAST_HAND_DEG && steer[i]! * yaw[i]! < 0;
    if (open && slides && t[i]! - open.end <= JOINED_S) open.end = t[i]!;
    else if (isAcross) {
      if (open) events.push(open);
      open = { start: t[i]!, end: t[i]! };
    }
  }
  if (open) events.push(open);
  const held = events.map(({ start, end }) => end - start).filter((took) => took >= LEAST_S);
  return {
    count: held.length,
    catchS: held.length > 0 ? held.reduce((a, b) => a + b, 0) / held.length : null,
  };
}
