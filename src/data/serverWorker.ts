import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { releaseProxy, wrap, type Remote } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import type { ServerWorker } from './server.worker';

/** Bundled by scripts/workers.mjs whenever the program is built. */
const SCRIPT = ['node_modules', '.cache', 'pebble-road', 'server.worker.mjs'];

/** So many parts of a recording, 256 kB each, are a moment's work; more of them are worked on beside. */
const SHORT_PARTS = 12;

/** Whether somebody else would wait for what is worked out of a recording. */
export function isLong(parts: readonly Uint8Array[]): boolean {
  return parts.length > SHORT_PARTS;
}

/** The work was called off. */
export class CalledOff extends Error {}

/**
 * Asks a worker thread of its own something and ends it with the answer.
 * @param signal calls the work off
 */
export async function askWorker<T>(
  ask: (worker: Remote<ServerWorker>) => Promise<T>,
  signal?: AbortSignal,
): Promise<T> {
  const worker = new Worker(join(/* turbopackIgnore: true */ process.cwd(), ...SCRIPT), {
    // One recording at a time is in memory; a young generation that is kept small is cleared sooner.
    resourceLimits: { maxOldGenerationSizeMb: 1024, maxYoungGenerationSizeMb: 16 },
  });
  const stopped = new Promise<never>((_, reject) => {
    worker.once('error', reject);
    worker.once('exit', () => reject(new Error('the computation beside the server stopped')));
    const callOff = () => reject(new CalledOff('called off'));
    if (signal?.aborted) callOff();
    signal?.addEventListener('abort', callOff, { once: true });
  });
  stopped.catch(() => undefined);
  const remote = wrap<ServerWorker>(nodeEndpoint(worker));
  try {
    return await Promise.race([ask(remote), stopped]);
  } finally {
    // Held until here: a proxy that nobody holds lets its thread go when memory is cleared, answered or not.
    remote[releaseProxy]();
    await worker.terminate();
  }
}
