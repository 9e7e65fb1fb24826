import { drillsIn } from '@/core/drills/measureDrill';
import { forceRecorder, type ForceRecorder } from '@/core/force/forceInputs';
import type { ForceChain } from '@/core/force/handsOff';
import { rideForce, withForce } from '@/core/force/rideForce';
import { liveDrive, type LiveDrive, type LivePlan, type Stop } from '@/core/driving/liveDrive';
import type { RawAxes } from '@/core/driving/liveInputs';

/** What the page tells a ride in real time. Plain messages: what is asked 250 times a second should cost nothing. */
export type ToDrive =
  | { kind: 'begin'; plan: LivePlan; chain: ForceChain | null; seed: number }
  | { kind: 'hear'; raw: RawAxes; atMs: number }
  | { kind: 'shift'; by: 1 | -1 }
  | { kind: 'stop'; why: Stop }
  | { kind: 'go on'; after: Stop }
  | { kind: 'back' | 'end' }
  | { kind: 'keep' };

/** A browser does not tick faster; the steps that are due in between are made up. */
const TICK_MS = 4;

let drive: LiveDrive | null = null;
let kept: { recorder: ForceRecorder | null; chain: ForceChain | null; seed: number; ratio: number } | null =
  null;
let timer: ReturnType<typeof setInterval> | null = null;

function tick() {
  const frame = drive!.tick(performance.now());
  postMessage({ kind: 'frame', frame });
  if (frame.state === 'over' && timer !== null) {
    clearInterval(timer);
    timer = null;
  }
}

onmessage = ({ data }: MessageEvent<ToDrive>) => {
  if (data.kind === 'begin') {
    const recorder = data.chain && forceRecorder(data.chain.title.rateHz);
    kept = { recorder, chain: data.chain, seed: data.seed, ratio: data.plan.car.steeringRatio };
    drive = recorder ? liveDrive(data.plan, recorder) : liveDrive(data.plan);
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
    case 'keep': {
      const log = drive.log();
      const { recorder, chain, seed, ratio } = kept!;
      const inputs = recorder?.finish();
      const whole = inputs && chain ? withForce(log, inputs, rideForce(inputs, chain, seed)) : log;
      return postMessage({
        kind: 'log',
        driven: { log: whole, drills: drillsIn(whole, { steeringRatio: ratio }) },
      });
    }
  }
};
