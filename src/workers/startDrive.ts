import { driveWorkerClient, type StartedDrive } from './driveWorkerClient';

type Rest = typeof driveWorkerClient extends (worker: Worker, ...rest: infer R) => StartedDrive ? R : never;

/** Begins a ride in real time in a worker of its own. */
export const startDrive = (...how: Rest): StartedDrive =>
  driveWorkerClient(new Worker(new URL('./drive.worker.ts', import.meta.url), { type: 'module' }), ...how);
