import type { ForceWorker } from './force.worker';
import { startedWorker } from './startedWorker';

/** A worker that drives a ride and answers for its force. */
export function startForce() {
  return startedWorker<ForceWorker>(
    new Worker(new URL('./force.worker.ts', import.meta.url), { type: 'module' }),
  );
}
