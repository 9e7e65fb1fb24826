import type { ButtonsWorker } from './buttons.worker';
import { startedWorker } from './startedWorker';

/** A worker that places actions on buttons. */
export const startButtons = () =>
  startedWorker<ButtonsWorker>(
    new Worker(new URL('./buttons.worker.ts', import.meta.url), { type: 'module' }),
  );
