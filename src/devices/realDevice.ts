import type { AxisName } from '@/core/axes/axes';
import type { AxisSource } from '@/core/rig/rigSpec';
import { hidByKey, onHidReport } from './hid';
import { padByKey, rangeOfPlace, readPlace } from './readings';
import { listenerSet, type DeviceSource, type DeviceState } from './source';

export type AxisSources = Partial<Record<AxisName, AxisSource>>;

/** Browsers refresh gamepads about this often; more polling only repeats readings. */
const POLL_MS = 4;
const POLLED_HZ = 250;
const RAW_HZ = 1000;

/**
 * The real devices of a rig, one or several, as one source. Axes that come as raw reports set the pace where there are
 * any; the others are read along with them.
 */
export function realDevice(sources: AxisSources): DeviceSource {
  const listeners = listenerSet();
  const entries = Object.entries(sources) as [AxisName, AxisSource][];
  const devices = [...new Set(entries.map(([, { device }]) => device))];
  const rawDevice = entries.find(([, { place }]) => place.kind === 'hid')?.[1].device;
  const isThere = () => entries.length > 0 && devices.every((key) => padByKey(key) ?? hidByKey(key));
  let state: DeviceState = isThere() ? 'live' : 'waiting';
  let pressed = new Map<string, boolean[]>();

  const become = (next: DeviceState) => {
    if (next === state) return;
    state = next;
    listeners.tell('state', next);
  };
  const sample = (atMs: number) => {
    const axes: Partial<Record<AxisName, Float64Array>> = {};
    for (const [name, { device, place }] of entries) {
      const value = readPlace(device, place);
      if (value === undefined || !Number.isFinite(value)) return;
      axes[name] = Float64Array.of(value);
    }
    listeners.tell('samples', { t: Float64Array.of(atMs / 1000), axes });
  };
  const poll = () => {
    if (!isThere()) return become(state === 'waiting' ? 'waiting' : 'gone');
    become('live');
    if (!rawDevice) sample(performance.now());
    lookAtButtons();
  };
  /** Buttons that are no axis of ours, newly pressed. */
  const lookAtButtons = () => {
    const now = new Map<string, boolean[]>();
    for (const key of devices) {
      const pad = padByKey(key);
      if (!pad) continue;
      const before = pressed.get(key);
      const down = pad.buttons.map((button) => button.pressed);
      down.forEach((isDown, i) => {
        if (isDown && before && !before[i] && !isAxis(key, i)) listeners.tell('button', i);
      });
      now.set(key, down);
    }
    pressed = now;
  };
  const isAxis = (key: string, index: number) =>
    entries.some(
      ([, { device, place }]) =>
        device === key &&
        ((place.kind === 'button' && place.index === index) ||
          (place.kind === 'buttons' && place.indices.includes(index))),
    );
  const timer = setInterval(poll, POLL_MS);
  const stopReports = onHidReport((device, atMs) => {
    if (device.key === rawDevice && state === 'live') sample(atMs);
  });
  return {
    info: {
      id: devices.join(' + '),
      label: devices.map(shortName).join(' + '),
      kind: 'real',
      ranges: Object.fromEntries(
        entries.map(([name, { device, place }]) => [name, rangeOfPlace(device, place)]),
      ),
      rateHz: rawDevice ? RAW_HZ : POLLED_HZ,
      rawAxes: entries.filter(([, { place }]) => place.kind === 'hid').length,
    },
    get state() {
      return state;
    },
    subscribe: listeners.subscribe,
    close() {
      clearInterval(timer);
      stopReports();
      listeners.clear();
    },
  };
}

/** A device's id without what the browser adds in brackets. */
export function shortName(key: string): string {
  return hidByKey(key)?.name ?? (key.replace(/\s*\(.*\)/, '').slice(0, 60) || key);
}
