import type { BaseWorker } from './base.worker';
import type { ButtonsWorker } from './buttons.worker';
import type { CaptureWorker } from './capture.worker';
import type { ForceWorker } from './force.worker';
import type { LaunchWorker } from './launch.worker';
import type { LogWorker } from './log.worker';
import type { RideWorker } from './ride.worker';
import type { RoadWorker } from './road.worker';
import type { SendWorker } from './send.worker';
import { startedWorker } from './startedWorker';

/** Every worker that is asked and answers, by its name. Whoever bundles them finds each by its address, written out. */
export const startWorker = {
  /** Measures bases and foretells rims. */
  base: () =>
    startedWorker<BaseWorker>(new Worker(new URL('./base.worker.ts', import.meta.url), { type: 'module' })),
  /** Places actions on buttons. */
  buttons: () =>
    startedWorker<ButtonsWorker>(
      new Worker(new URL('./buttons.worker.ts', import.meta.url), { type: 'module' }),
    ),
  /** Reads and analyses a capture's file. */
  capture: () =>
    startedWorker<CaptureWorker>(
      new Worker(new URL('./capture.worker.ts', import.meta.url), { type: 'module' }),
    ),
  /** Drives a ride and answers for its force. */
  force: () =>
    startedWorker<ForceWorker>(new Worker(new URL('./force.worker.ts', import.meta.url), { type: 'module' })),
  /** Launches cars. */
  launch: () =>
    startedWorker<LaunchWorker>(
      new Worker(new URL('./launch.worker.ts', import.meta.url), { type: 'module' }),
    ),
  /** Reads somebody's logs, and keeps the last until the driver has said what its columns are. */
  log: () =>
    startedWorker<LogWorker>(new Worker(new URL('./log.worker.ts', import.meta.url), { type: 'module' })),
  /** Drives a ride. */
  ride: () =>
    startedWorker<RideWorker>(new Worker(new URL('./ride.worker.ts', import.meta.url), { type: 'module' })),
  /** Reads roads from rides. */
  road: () =>
    startedWorker<RoadWorker>(new Worker(new URL('./road.worker.ts', import.meta.url), { type: 'module' })),
  /** Posts columns. */
  send: () =>
    startedWorker<SendWorker>(new Worker(new URL('./send.worker.ts', import.meta.url), { type: 'module' })),
};

/** A ride in real time: it is not asked, it drives. */
export const driveWorker = () =>
  new Worker(new URL('./drive.worker.ts', import.meta.url), { type: 'module' });
