import type { BaseWorker } from './base.worker';
import { startedWorker } from './startedWorker';

/** A worker that measures bases and foretells rims. */
export const startBase = () =>
  startedWorker<BaseWorker>(new Worker(new URL('./base.worker.ts', import.meta.url), { type: 'module' }));
