import { proxy, wrap } from 'comlink';
import type { ForceChain } from '@/core/force/handsOff';
import type { RideLog } from '@/core/rides/rideLog';
import type { RidePlan, RideProgress } from '@/core/vehicle/simulateRide';
import type { RideWorker } from './ride.worker';

/** The ride was cancelled before it ended. */
export class RideCancelled extends Error {}

/** Starts a ride in a worker. `cancel` ends it at once and rejects `done` with {@link RideCancelled}. */
export function startRide(plan: RidePlan, chain: ForceChain, onProgress: (progress: RideProgress) => void) {
  const worker = new Worker(new URL('./ride.worker.ts', import.meta.url), { type: 'module' });
  let stop: (reason: Error) => void = () => undefined;
  const stopped = new Promise<never>((_, reject) => {
    stop = reject;
  });
  worker.addEventListener('error', (event) => stop(new Error(event.message || 'the ride worker failed')));
  // Progress comes by a way of its own: some of it arrives after the end.
  let isOver = false;
  const tell = (progress: RideProgress) => {
    if (!isOver) onProgress(progress);
  };
  const ride = wrap<RideWorker>(worker).ride(plan, chain, proxy(tell));
  const done: Promise<RideLog> = Promise.race([ride, stopped]).finally(() => {
    isOver = true;
    worker.terminate();
  });
  return { done, cancel: () => stop(new RideCancelled('the ride was cancelled')) };
}
