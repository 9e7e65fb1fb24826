import type { DrillShown } from '@/core/drills/measureDrill';
import type { ForceChain } from '@/core/force/handsOff';
import { notesOf, type LiveFrame, type LivePlan, type LiveSetting } from '@/core/driving/liveDrive';
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
 * Drives in a worker that was just made.
 * @param onFrame hears the newest moment, some 250 times a second
 * @param onFault hears that the worker broke down: nothing more comes from it
 */
export function driveWorkerClient(
  worker: Worker,
  plan: LivePlan,
  chain: ForceChain | null,
  { seed, blind = null }: { seed: number; blind?: BlindSides | null },
  onFrame: (frame: LiveFrame) => void,
  onFault: (error: WorkerFailed) => void,
): StartedDrive {
  // Answered in the order in which they were asked.
  const waiting: { resolve(driven: Driven): void; reject(error: Error): void }[] = [];
  let hasFailed: WorkerFailed | null = null;
  /** What the worker put aside since its log began: it lies outside this page's memory. */
  let aside: Aside[] = [];
  let isHeard = false;
  /** It has begun to tick, and its ride is not over. */
  let isTicking = false;
  let silentFor = 0;
  const fail = (why: string) => {
    if (hasFailed) return;
    hasFailed = new WorkerFailed(`the ride’s computation stopped (${why})`);
    clearInterval(watch);
    for (const { reject } of waiting.splice(0)) reject(hasFailed);
    onFault(hasFailed);
  };
  // A worker that is lost says nothing of it. One that loads, or whose page is hidden, is only slow; one that was asked for what
  // was driven works out its force meanwhile.
  const watch = setInterval(() => {
    const isAsked = waiting.length > 0;
    const isAwaited = (isTicking || isAsked) && !document.hidden;
    silentFor = isHeard || !isAwaited ? 0 : silentFor + 1;
    isHeard = false;
    if (silentFor >= (isAsked ? BUSY_TICKS : SILENT_TICKS)) fail('it no longer answers');
  }, WATCH_MS);
  worker.addEventListener('error', (event) => {
    event.preventDefault();
    fail(event.message || 'it did not load');
  });
  type FromDrive =
    { kind: 'frame'; frame: LiveFrame } | { kind: 'log'; driven: Driven } | ({ kind: 'aside' } & Aside);
  worker.addEventListener('message', ({ data }: MessageEvent<FromDrive>) => {
    isHeard = true;
    if (data.kind === 'frame') {
      isTicking = data.frame.state !== 'over';
      onFrame(data.frame);
    } else if (data.kind === 'aside') aside.push(data);
    else {
      aside = [];
      waiting.shift()?.resolve(data.driven);
    }
  });
  const post = (message: ToDrive) => worker.postMessage(message);
  post({ kind: 'begin', plan, chain, seed, blind, pace: drivePace() });
  const asked = (message: ToDrive) =>
    new Promise<Driven>((resolve, reject) => {
      if (hasFailed) return reject(hasFailed);
      waiting.push({ resolve, reject });
      post(message);
    });
  return {
    tell: post,
    log: async () =>
      hasFailed && aside.length > 0
        ? { log: await joined(aside, plan), drills: [] }
        : asked({ kind: 'keep' }),
    exchange: (setting, chain) => asked({ kind: 'exchange', setting, chain }),
    end() {
      clearInterval(watch);
      worker.terminate();
    },
  };
}

/** Driving goes by the wall clock; whoever does not sit in it (a test of the page) may let it go so many times faster. */
const drivePace = () => (globalThis as { pebbleDrivePace?: number }).pebbleDrivePace ?? 1;

/** Rows that a worker put aside, column by column. */
interface Aside {
  names: string[];
  count: number;
  blob: Blob;
}

const WATCH_MS = 2000;
const SILENT_TICKS = 2;
const BUSY_TICKS = 15;

/** The log up to where it was put aside; the force of it is lost with its worker. */
async function joined(parts: readonly Aside[], plan: LivePlan): Promise<RideLog> {
  const read = await Promise.all(
    parts.map(async ({ blob, count, names }) => ({
      ...{ count, names },
      values: new Float64Array(await blob.arrayBuffer()),
    })),
  );
  const rows = read.reduce((sum, { count }) => sum + count, 0);
  const columns = Object.fromEntries(read[0]!.names.map((name) => [name, new Float64Array(rows)]));
  let at = 0;
  for (const { count, names, values } of read) {
    names.forEach((name, k) => columns[name]!.set(values.subarray(k * count, (k + 1) * count), at));
    at += count;
  }
  return { columns: columns as RideLog['columns'], notes: notesOf(plan) };
}
