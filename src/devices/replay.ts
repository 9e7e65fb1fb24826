import type { AxisName } from '@/core/axes/axes';
import type { Recording } from '@/core/axes/recording';
import { listenerSet, type DeviceSource, type DeviceState } from './source';

const TICK_MS = 8;

export interface Replay extends DeviceSource {
  setSpeed(times: number): void;
}

/** A capture played again as if it were a device, in its own time; falls silent at its end. */
export function replayDevice(recording: Recording): Replay {
  const listeners = listenerSet();
  const columns = Object.entries(recording.axes) as [AxisName, Float64Array][];
  const start = recording.t[0] ?? 0;
  let state: DeviceState = recording.t.length > 0 ? 'live' : 'gone';
  let speed = 1;
  let at = 0;
  let played = 0;
  let before = performance.now();
  const timer = setInterval(() => {
    const now = performance.now();
    played += ((now - before) / 1000) * speed;
    before = now;
    if (state !== 'live') return;
    let to = at;
    while (to < recording.t.length && recording.t[to]! - start <= played) to++;
    if (to > at) {
      const axes = Object.fromEntries(columns.map(([name, column]) => [name, column.slice(at, to)]));
      listeners.tell('samples', { t: recording.t.slice(at, to), axes });
      at = to;
    }
    if (at < recording.t.length) return;
    state = 'gone';
    listeners.tell('state', state);
  }, TICK_MS);
  return {
    info: {
      id: 'replay',
      label: `Replay of ${recording.device || 'a capture'}`.slice(0, 80),
      kind: 'replay',
      ranges: Object.fromEntries(
        columns.map(([name]) => [name, { min: recording.rangeMin, max: recording.rangeMax }]),
      ),
      rateHz: recording.rateHz ?? 250,
      rawAxes: 0,
    },
    get state() {
      return state;
    },
    subscribe: listeners.subscribe,
    setSpeed(times) {
      speed = times;
    },
    close() {
      clearInterval(timer);
      listeners.clear();
    },
  };
}
