import { expose } from 'comlink';
import { forceRecorder } from '@/core/force/forceInputs';
import type { ForceChain } from '@/core/force/handsOff';
import { rideForce, withForce } from '@/core/force/rideForce';
import { simulateRide, type RidePlan, type RideProgress } from '@/core/vehicle/simulateRide';
import type { RideLog } from '@/core/rides/rideLog';

const api = {
  /** Simulates a ride off the main thread; the caller cancels by ending the worker. */
  ride(plan: RidePlan, chain: ForceChain, onProgress: (progress: RideProgress) => void): RideLog {
    const recorder = forceRecorder(chain.title.rateHz);
    const steps = simulateRide(plan, recorder);
    for (;;) {
      const next = steps.next();
      if (!next.done) {
        onProgress(next.value);
        continue;
      }
      const inputs = recorder.finish();
      return withForce(next.value, inputs, rideForce(inputs, chain, plan.seed));
    }
  },
};

export type RideWorker = typeof api;

expose(api);
