import { proxy } from 'comlink';
import type { ForceChain } from '@/core/force/handsOff';
import type { RideLog } from '@/core/rides/rideLog';
import type { RidePlan, RideProgress } from '@/core/vehicle/simulateRide';
import { startWorker } from './startWorker';

/** The ride was cancelled before it ended. */
export class RideCancelled extends Error {}

/** Starts a ride in a worker. `cancel` ends it at once and rejects `done` with {@link RideCancelled}. */
export function startRide(
  plan: RidePlan,
  chain: ForceChain | null,
  onProgress: (progress: RideProgress) => void,
) {
  const simulator = startWorker.ride();
  let stop: (reason: Error) => void = () => undefined;
  const stopped = new Promise<never>((_, reject) => {
    stop = reject;
  });
  // Progress comes by a way of its own: some of it arrives after the end.
  let isOver = false;
  const tell = (progress: RideProgress) => {
    if (!isOver) onProgress(progress);
  };
  const ride = simulator.ask((worker) => worker.ride(plan, chain, proxy(tell)));
  const done: Promise<RideLog> = Promise.race([ride, stopped]).finally(() => {
    isOver = true;
    simulator.end();
  });
  return { done, cancel: () => stop(new RideCancelled('the ride was cancelled')) };
}
