import type { LogWorker } from './log.worker';
import { startedWorker } from './startedWorker';

/** A worker that reads somebody's logs, and keeps the last until the driver has said what its columns are. */
export const startLog = () =>
  startedWorker<LogWorker>(new Worker(new URL('./log.worker.ts', import.meta.url), { type: 'module' }));
