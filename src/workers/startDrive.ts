import type { DrillShown } from '@/core/drills/measureDrill';
import type { ForceChain } from '@/core/force/handsOff';
import type { LiveFrame, LivePlan, LiveSetting } from '@/core/driving/liveDrive';
import type { RideLog } from '@/core/rides/rideLog';
import type { BlindSides, ToDrive } from './drive.worker';
import { WorkerFailed } from './startedWorker';

/** What was driven: its log, and the drills that it holds an attempt of. */
export interface Driven {
  log: RideLog;
  drills: DrillShown[];
}

/** A ride in real time, in a worker of its own. */
export interface StartedDrive {
  tell(message: Exclude<ToDrive, { kind: 'begin' | 'keep' | 'exchange' }>): void;
  /** What was driven so far, with the force that the title would have given. */
  log(): Promise<Driven>;
  /** Drives on through something else; gives what was driven until then. */
  exchange(setting: LiveSetting, chain: ForceChain | null): Promise<Driven>;
  end(): void;
}

/**
 * @param onFrame hears the newest moment, some 250 times a second
 * @param onFault hears that the worker broke down: nothing more comes from it
 */
export function startDrive(
  plan: LivePlan,
  chain: ForceChain | null,
  { seed, blind = null }: { seed: number; blind?: BlindSides | null },
  onFrame: (frame: LiveFrame) => void,
  onFault: (error: WorkerFailed) => void,
): StartedDrive {
  const worker = new Worker(new URL('./drive.worker.ts', import.meta.url), { type: 'module' });
  // Answered in the order in which they were asked.
  const waiting: { resolve(driven: Driven): void; reject(error: Error): void }[] = [];
  let hasFailed: WorkerFailed | null = null;
  worker.addEventListener('error', (event) => {
    event.preventDefault();
    hasFailed = new WorkerFailed(`the ride’s computation stopped (${event.message || 'it did not load'})`);
    for (const { reject } of waiting.splice(0)) reject(hasFailed);
    onFault(hasFailed);
  });
  type FromDrive = { kind: 'frame'; frame: LiveFrame } | { kind: 'log'; driven: Driven };
  worker.addEventListener('message', ({ data }: MessageEvent<FromDrive>) => {
    if (data.kind === 'frame') onFrame(data.frame);
    else waiting.shift()?.resolve(data.driven);
  });
  const post = (message: ToDrive) => worker.postMessage(message);
  post({ kind: 'begin', plan, chain, seed, blind });
  const asked = (message: ToDrive) =>
    new Promise<Driven>((resolve, reject) => {
      if (hasFailed) return reject(hasFailed);
      waiting.push({ resolve, reject });
      post(message);
    });
  return {
    tell: post,
    log: () => asked({ kind: 'keep' }),
    exchange: (setting, chain) => asked({ kind: 'exchange', setting, chain }),
    end: () => worker.terminate(),
  };
}
