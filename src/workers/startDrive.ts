import { driveIn, type StartedDrive } from './driveIn';

type Rest = typeof driveIn extends (worker: Worker, ...rest: infer R) => StartedDrive ? R : never;

/** Begins a ride in real time in a worker of its own. */
export const startDrive = (...how: Rest): StartedDrive =>
  driveIn(new Worker(new URL('./drive.worker.ts', import.meta.url), { type: 'module' }), ...how);
