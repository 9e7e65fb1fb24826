import { drillsIn } from '@/core/drills/measureDrill';
import { forceRecorder, type ForceRecorder } from '@/core/force/forceInputs';
import type { ForceChain } from '@/core/force/handsOff';
import { rideForce, withForce } from '@/core/force/rideForce';
import type { CarSpec } from '@/core/vehicle/carSpec';
import type { RideLog } from '@/core/rides/rideLog';
import {
  liveDrive,
  type LiveDrive,
  type LivePlan,
  type LiveSetting,
  type Stop,
} from '@/core/driving/liveDrive';
import { openSide } from '@/core/experiment/sealedSide';
import type { RawAxes } from '@/core/driving/liveInputs';

/** What the page tells a ride in real time. Plain messages: what is asked 250 times a second should cost nothing. */
export type ToDrive =
  | {
      kind: 'begin';
      plan: LivePlan;
      chain: ForceChain | null;
      seed: number;
      blind: BlindSides | null;
      /** How many times faster than the wall clock it is driven. */
      pace: number;
    }
  | { kind: 'hear'; raw: RawAxes; atMs: number }
  | { kind: 'shift'; by: 1 | -1 }
  | { kind: 'stop'; why: Stop }
  | { kind: 'go on'; after: Stop }
  | { kind: 'back' | 'end' }
  | { kind: 'exchange'; setting: LiveSetting; chain: ForceChain | null }
  | { kind: 'keep' };

/** A ride of a blind test: the plan has A, and this says what B is and, sealed, which of them is driven. */
export interface BlindSides {
  sealed: string;
  b: LiveSetting;
}

/** A browser does not tick faster; the steps that are due in between are made up. */
const TICK_MS = 4;

let drive: LiveDrive | null = null;
let kept: { recorder: ForceRecorder | undefined; chain: ForceChain | null; seed: number; car: CarSpec };

/** So often what was driven is put aside with the page, ms: a worker that is lost takes no more with it. */
const ASIDE_EVERY_MS = 5000;
let aside = { rows: 0, atMs: 0, isBlind: false };

/** Puts aside what was driven since the last time. */
function putAside() {
  const columns = Object.entries(drive!.rows(aside.rows)) as [string, Float64Array<ArrayBuffer>][];
  const count = columns[0]![1].length;
  aside.rows += count;
  if (count === 0) return;
  const blob = new Blob(columns.map(([, values]) => values));
  postMessage({ kind: 'aside', names: columns.map(([name]) => name), count, blob });
}

let timer: ReturnType<typeof setInterval> | null = null;
let pace = 1;
/** Time of the ride, ms. */
const now = () => pace * performance.now();
let tickedAt = 0;

function tick() {
  const at = now();
  // Faster than the wall clock it still ticks as often in the ride's own time: nothing of it is left out.
  if (pace > 1) for (let due = tickedAt + TICK_MS; due < at; due += TICK_MS) drive!.tick(due);
  tickedAt = at;
  const frame = drive!.tick(at);
  postMessage({ kind: 'frame', frame });
  if (!aside.isBlind && frame.state === 'driving' && now() - aside.atMs > ASIDE_EVERY_MS) {
    aside.atMs = now();
    putAside();
  }
  if (frame.state === 'over' && timer !== null) {
    clearInterval(timer);
    timer = null;
  }
}

onmessage = ({ data }: MessageEvent<ToDrive>) => {
  if (data.kind === 'begin') {
    const { plan, blind, chain, seed } = data;
    pace = data.pace;
    const recorder = recorderOf(chain);
    kept = { recorder, chain, seed, car: plan.car };
    const isB = blind !== null && openSide(blind.sealed) === 'B';
    drive = liveDrive(isB ? { ...plan, ...blind.b } : plan, recorder);
    aside = { rows: 0, atMs: now(), isBlind: blind !== null };
    tickedAt = now();
    timer = setInterval(tick, TICK_MS);
    return;
  }
  if (!drive) return;
  switch (data.kind) {
    case 'hear':
      return drive.hear(data.raw, data.atMs);
    case 'shift':
      return drive.shift(data.by);
    case 'stop':
      return drive.stop(data.why);
    case 'go on':
      return drive.goOn(data.after);
    case 'back':
      return drive.back();
    case 'end':
      drive.end();
      return tick();
    case 'exchange': {
      const before = kept;
      kept = { ...kept, recorder: recorderOf(data.chain), chain: data.chain };
      send(drive.exchange(data.setting, kept.recorder), before);
      aside.rows = 0;
      return;
    }
    case 'keep':
      return send(drive.log(), kept);
  }
};

const recorderOf = (chain: ForceChain | null) => (chain ? forceRecorder(chain.title.rateHz) : undefined);

/** A ride, or a part of one, with the force that the title would have given in it. */
function send(log: RideLog, { recorder, chain, seed, car }: typeof kept) {
  // Of a part that was hardly begun there is nothing to compute.
  if (log.columns.t_s.length < 2) return postMessage({ kind: 'log', driven: { log, drills: [] } });
  const inputs = recorder?.finish();
  const whole = inputs && chain ? withForce(log, inputs, rideForce(inputs, chain, seed)) : log;
  postMessage({
    kind: 'log',
    driven: {
      log: whole,
      drills: drillsIn(whole, { steeringRatio: car.steeringRatio, lockDeg: car.lockDeg }),
    },
  });
}
