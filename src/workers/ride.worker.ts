import { expose } from 'comlink';
import { forceRecorder } from '@/core/force/forceInputs';
import type { ForceChain } from '@/core/force/handsOff';
import { rideForce, withForce } from '@/core/force/rideForce';
import { simulateRide, type RidePlan, type RideProgress } from '@/core/vehicle/simulateRide';
import type { RideLog } from '@/core/rides/rideLog';

const api = {
  /**
   * Simulates a ride off the main thread; the caller cancels by ending the worker.
   * @param chain `null` where nobody knows the title's force: the ride is logged without
   */
  ride(plan: RidePlan, chain: ForceChain | null, onProgress: (progress: RideProgress) => void): RideLog {
    const recorder = chain && forceRecorder(chain.title.rateHz);
    const steps = recorder ? simulateRide(plan, recorder) : simulateRide(plan);
    for (;;) {
      const next = steps.next();
      if (!next.done) {
        onProgress(next.value);
        continue;
      }
      if (!chain || !recorder) return next.value;
      const inputs = recorder.finish();
      return withForce(next.value, inputs, rideForce(inputs, chain, plan.seed));
    }
  },
};

export type RideWorker = typeof api;

expose(api);
