import type { RoadWorker } from './road.worker';
import { startedWorker } from './startedWorker';

/** A worker that reads roads from rides. */
export const startRoad = () =>
  startedWorker<RoadWorker>(new Worker(new URL('./road.worker.ts', import.meta.url), { type: 'module' }));
