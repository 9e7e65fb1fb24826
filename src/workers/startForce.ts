import { wrap, type Remote } from 'comlink';
import type { ForceWorker } from './force.worker';

/** A worker that drives a ride and answers for its force; `end` stops whatever it is doing. */
export function startForce(): { force: Remote<ForceWorker>; failed: Promise<never>; end(): void } {
  const worker = new Worker(new URL('./force.worker.ts', import.meta.url), { type: 'module' });
  const failed = new Promise<never>((_, reject) => {
    worker.addEventListener('error', (event) =>
      reject(new Error(event.message || 'the force worker failed')),
    );
  });
  failed.catch(() => undefined);
  return { force: wrap<ForceWorker>(worker), failed, end: () => worker.terminate() };
}
