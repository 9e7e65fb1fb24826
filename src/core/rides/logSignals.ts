import { lowPass, zeroPhase } from '../numeric/biquad';
import { median } from '../numeric/order';
import type { RideLog } from './rideLog';

/** Lateral acceleration, m/s²: as logged, else that of a car that goes where it heads; `null` where the log has neither. */
export function lateralOf({ ay_mps2: ay, yaw_radps: yaw, speed_mps: speed }: RideLog['columns']) {
  return ay ?? (yaw && speed ? yaw.map((r, i) => r * speed[i]!) : null);
}

/** Samples a second from one to the next, whatever pauses a log has; 0 where it has fewer than two. */
export function rateOf({ t_s: t }: RideLog['columns']): number {
  return t.length < 2 ? 0 : 1 / median(t.subarray(1).map((now, i) => now - t[i]!));
}

/** A signal without what is faster than a corner frequency, not shifted in time. @param rateHz more than twice the corner */
export const below = (values: Float64Array, hz: number, rateHz: number): Float64Array =>
  zeroPhase(values, lowPass(hz, rateHz), Math.ceil(rateHz));
