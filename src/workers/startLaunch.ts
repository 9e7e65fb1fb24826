import type { LaunchWorker } from './launch.worker';
import { startedWorker } from './startedWorker';

/** A worker that launches cars. */
export const startLaunch = () =>
  startedWorker<LaunchWorker>(new Worker(new URL('./launch.worker.ts', import.meta.url), { type: 'module' }));
