import { wrap, type Remote } from 'comlink';

/** A worker did not load, or broke down: nothing more comes from it. */
export class WorkerFailed extends Error {}

export interface StartedWorker<T> {
  /** Asks the worker something; rejects with {@link WorkerFailed} where it cannot answer any more. */
  ask<R>(question: (worker: Remote<T>) => R): Promise<Awaited<R>>;
  /** Stops whatever it is doing. */
  end(): void;
}

/** How browsers word it that a script of the worker's did not come; some say nothing. */
const NOT_LOADED = /^$|importscripts|failed to load|networkerror/i;

/** Takes charge of a worker: a question to one that never came would otherwise wait for ever. */
export function startedWorker<T>(worker: Worker): StartedWorker<T> {
  const remote = wrap<T>(worker);
  const failed = new Promise<never>((_, reject) => {
    worker.addEventListener('error', (event) => {
      // Whoever asks is told; the page itself is whole.
      event.preventDefault();
      const said = event.message ?? '';
      reject(
        new WorkerFailed(
          NOT_LOADED.test(said)
            ? 'a part of the program did not load (was Pebble Road closed?)'
            : `its computation stopped (${said})`,
        ),
      );
    });
  });
  failed.catch(() => undefined);
  return { ask: (question) => Promise.race([question(remote), failed]), end: () => worker.terminate() };
}
