import { simulatedAxes, type SimulatedRigSpec } from '@/catalog/simulatedRigs';
import type { Motion } from '@/core/axes/actor';
import type { AxisName } from '@/core/axes/recording';
import { playAxis, rangeOf } from '@/core/axes/simulatedAxis';
import { listenerSet, type DeviceSource, type DeviceState } from './source';

/** A rig without hardware: hands and feet on the sensors of the catalogue, seeded, in real time or faster. */
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

export function simulatedRig(spec: SimulatedRigSpec, driver: string, seed: number): SimulatedRig {
  const listeners = listenerSet();
  const axes = Object.entries(simulatedAxes(spec, driver)).map(([name, axis], i) => ({
    name: name as AxisName,
    range: rangeOf(axis),
    played: playAxis(axis, seed * 16 + i, spec.rateHz),
  }));
  const dt = 1 / spec.rateHz;
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
    owed += Math.min(passedS, MOST_CATCH_UP_S) * speed * spec.rateHz;
    const count = Math.floor(owed);
    if (count === 0) return;
    owed -= count;
    // In short batches: whoever follows the guide hears of a new step before the next movement begins.
    const most = Math.ceil(spec.rateHz * LONGEST_BATCH_S);
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
      id: `simulated:${spec.id}`,
      label: `Simulated ${spec.name}`,
      kind: 'simulated',
      ranges: Object.fromEntries(
        axes.map(({ name, range }) => [name, { min: range.rangeMin, max: range.rangeMax }]),
      ),
      rateHz: spec.rateHz,
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
