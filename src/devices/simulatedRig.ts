import type { Motion } from '@/core/axes/actor';
import type { AxisName } from '@/core/axes/axes';
import { playAxis, rangeOf, type SimulatedAxis } from '@/core/axes/simulatedAxis';
import { listenerSet, type DeviceSource, type DeviceState } from './source';

/** What is played: hand, foot and sensor of every axis of a rig. */
export interface PlayedRig {
  id: string;
  name: string;
  rateHz: number;
  axes: Partial<Record<AxisName, SimulatedAxis>>;
}

/** A rig without hardware: hands and feet on described sensors, seeded, in real time or faster. */
export interface SimulatedRig extends DeviceSource {
  /** What hand or foot does on an axis. */
  perform(axis: AxisName, motion: Motion): void;
  setSpeed(times: number): void;
  unplug(): void;
  plugIn(): void;
  pressButton(index?: number): void;
}

const TICK_MS = 8;
/** After a pause of the page (a hidden tab, a busy machine) no more than this is made up; simulated time waits out the rest. */
const MOST_CATCH_UP_S = 0.1;

export function simulatedRig(rig: PlayedRig, seed: number): SimulatedRig {
  const listeners = listenerSet();
  const axes = Object.entries(rig.axes).map(([name, axis], i) => ({
    name: name as AxisName,
    range: rangeOf(axis),
    played: playAxis(axis, seed * 16 + i, rig.rateHz),
  }));
  const dt = 1 / rig.rateHz;
  let state: DeviceState = 'live';
  let speed = 1;
  let t = 0;
  let owed = 0;
  let before = performance.now();

  const tick = () => {
    const now = performance.now();
    const passedS = (now - before) / 1000;
    before = now;
    if (state !== 'live') return;
    owed += Math.min(passedS, MOST_CATCH_UP_S) * speed * rig.rateHz;
    const count = Math.floor(owed);
    if (count === 0) return;
    owed -= count;
    // In short batches: whoever follows the guide hears of a new step before the next movement begins.
    const most = Math.ceil(rig.rateHz * LONGEST_BATCH_S);
    for (let done = 0; done < count; done += most) emit(Math.min(most, count - done));
  };
  const emit = (count: number) => {
    const time = new Float64Array(count);
    const columns = axes.map(() => new Float64Array(count));
    for (let i = 0; i < count; i++) {
      t += dt;
      time[i] = t;
      axes.forEach(({ played }, k) => (columns[k]![i] = played.sample(t)));
    }
    listeners.tell('samples', {
      t: time,
      axes: Object.fromEntries(axes.map(({ name }, k) => [name, columns[k]!])),
    });
  };
  const timer = setInterval(tick, TICK_MS);
  const become = (next: DeviceState) => {
    if (next === state) return;
    state = next;
    listeners.tell('state', next);
  };

  return {
    info: {
      id: `simulated:${rig.id}`,
      label: `Simulated ${rig.name}`,
      kind: 'simulated',
      ranges: Object.fromEntries(
        axes.map(({ name, range }) => [name, { min: range.rangeMin, max: range.rangeMax }]),
      ),
      rateHz: rig.rateHz,
      rawAxes: 0,
    },
    get state() {
      return state;
    },
    subscribe: listeners.subscribe,
    perform: (axis, motion) => axes.find(({ name }) => name === axis)?.played.intend(motion),
    setSpeed(times) {
      speed = times;
    },
    unplug: () => become('gone'),
    plugIn: () => become('live'),
    pressButton: (index = 0) => listeners.tell('button', index),
    close() {
      clearInterval(timer);
      listeners.clear();
    },
  };
}

const LONGEST_BATCH_S = 0.05;
