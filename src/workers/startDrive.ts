import type { DrillShown } from '@/core/drills/measureDrill';
import type { ForceChain } from '@/core/force/handsOff';
import type { LiveFrame, LivePlan } from '@/core/driving/liveDrive';
import type { RideLog } from '@/core/rides/rideLog';
import type { ToDrive } from './drive.worker';
import { WorkerFailed } from './startedWorker';

/** What was driven: its log, and the drills that it holds an attempt of. */
export interface Driven {
  log: RideLog;
  drills: DrillShown[];
}

/** A ride in real time, in a worker of its own. */
export interface StartedDrive {
  tell(message: Exclude<ToDrive, { kind: 'begin' | 'keep' }>): void;
  /** What was driven so far, with the force that the title would have given. */
  log(): Promise<Driven>;
  end(): void;
}

/**
 * @param onFrame hears the newest moment, some 250 times a second
 * @param onFault hears that the worker broke down: nothing more comes from it
 */
export function startDrive(
  plan: LivePlan,
  chain: ForceChain | null,
  seed: number,
  onFrame: (frame: LiveFrame) => void,
  onFault: (error: WorkerFailed) => void,
): StartedDrive {
  const worker = new Worker(new URL('./drive.worker.ts', import.meta.url), { type: 'module' });
  let waiting: { resolve(driven: Driven): void; reject(error: Error): void } | null = null;
  let hasFailed: WorkerFailed | null = null;
  worker.addEventListener('error', (event) => {
    event.preventDefault();
    hasFailed = new WorkerFailed(`the ride’s computation stopped (${event.message || 'it did not load'})`);
    waiting?.reject(hasFailed);
    onFault(hasFailed);
  });
  type FromDrive = { kind: 'frame'; frame: LiveFrame } | { kind: 'log'; driven: Driven };
  worker.addEventListener('message', ({ data }: MessageEvent<FromDrive>) => {
    if (data.kind === 'frame') onFrame(data.frame);
    else waiting?.resolve(data.driven);
  });
  const post = (message: ToDrive) => worker.postMessage(message);
  post({ kind: 'begin', plan, chain, seed });
  return {
    tell: post,
    log: () =>
      new Promise((resolve, reject) => {
        if (hasFailed) return reject(hasFailed);
        waiting = { resolve, reject };
        post({ kind: 'keep' });
      }),
    end: () => worker.terminate(),
  };
}
