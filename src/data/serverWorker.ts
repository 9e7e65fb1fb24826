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

/** A thread beside the server. Its proxy is held as long as it is wanted: one that nobody holds lets its thread go. */
interface Thread {
  worker: Worker;
  remote: Remote<ServerWorker>;
  /** Rejects when the thread fails or ends. */
  stopped: Promise<never>;
}

/** Threads that answered a moment ago. To start one takes as long as to work on a log, and logs come by the dozen. */
const resting = new Map<Thread, NodeJS.Timeout>();
const MOST_RESTING = 2;
const REST_MS = 4000;

/**
 * Asks a worker thread of its own something. One that answered is there for the next question for some seconds; one that failed, or
 * whose work may be called off, ends with it.
 * @param signal calls the work off
 */
export async function askWorker<T>(
  ask: (worker: Remote<ServerWorker>) => Promise<T>,
  signal?: AbortSignal,
): Promise<T> {
  if (signal?.aborted) throw new CalledOff('called off');
  const thread = rested() ?? started();
  let mayRest = false;
  try {
    const answer = await Promise.race([ask(thread.remote), thread.stopped, ...calledOff(signal)]);
    mayRest = signal === undefined;
    return answer;
  } finally {
    await (mayRest && resting.size < MOST_RESTING ? rest(thread) : end(thread));
  }
}

function started(): Thread {
  const worker = new Worker(join(/* turbopackIgnore: true */ process.cwd(), ...SCRIPT), {
    // One recording at a time is in memory; a young generation that is kept small is cleared sooner.
    resourceLimits: { maxOldGenerationSizeMb: 1024, maxYoungGenerationSizeMb: 16 },
  });
  const stopped = new Promise<never>((_, reject) => {
    worker.once('error', reject);
    worker.once('exit', () => reject(new Error('the computation beside the server stopped')));
  });
  const thread = { worker, remote: wrap<ServerWorker>(nodeEndpoint(worker)), stopped };
  stopped.catch(() => forget(thread));
  return thread;
}

const calledOff = (signal: AbortSignal | undefined): Promise<never>[] =>
  signal
    ? [
        new Promise((_, reject) => {
          signal.addEventListener('abort', () => reject(new CalledOff('called off')), { once: true });
        }),
      ]
    : [];

/** The one that answered last; it is nobody's until it is asked. */
function rested(): Thread | null {
  const thread = [...resting.keys()].at(-1) ?? null;
  if (thread) {
    forget(thread);
    thread.worker.ref();
  }
  return thread;
}

function forget(thread: Thread) {
  clearTimeout(resting.get(thread));
  resting.delete(thread);
}

/** Nothing waits for a thread that rests, the end of the program neither. */
function rest(thread: Thread) {
  thread.worker.unref();
  resting.set(thread, setTimeout(() => void end(thread), REST_MS).unref());
}

async function end(thread: Thread) {
  forget(thread);
  thread.remote[releaseProxy]();
  await thread.worker.terminate();
}
