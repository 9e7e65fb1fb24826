import { create } from 'zustand';
import { simulatedRigById } from '@/catalog/find';
import { simulatedAxes } from '@/catalog/simulatedRigs';
import type { AxisName } from '@/core/axes/axes';
import type { Recording } from '@/core/axes/recording';
import type { RigDevice } from '@/core/rig/rigSpec';
import { openKnownHids } from '@/devices/hid';
import { realDevice } from '@/devices/realDevice';
import { replayDevice, type Replay } from '@/devices/replay';
import { simulatedRig, type SimulatedRig } from '@/devices/simulatedRig';
import { axesOfSource, type DeviceSource, type DeviceState } from '@/devices/source';

interface LiveRig {
  source: DeviceSource | null;
  /** The same source where it is a simulated one, which can be told what to do. */
  simulated: SimulatedRig | null;
  /** A capture that is played in the device's place. */
  replay: Replay | null;
  state: DeviceState;
  /** How much faster than the clock a simulated rig lives. */
  pace: number;
}

/** The device of the open rig. Samples never pass through here: {@link latestRaw} holds the newest of each axis. */
export const useLiveRig = create<LiveRig>(() => ({
  source: null,
  simulated: null,
  replay: null,
  state: 'waiting',
  pace: 1,
}));

export function setPace(pace: number) {
  useLiveRig.getState().simulated?.setSpeed(pace);
  useLiveRig.setState({ pace });
}

export const latestRaw: Partial<Record<AxisName, number>> = {};

/** Axes that have moved over a tenth of their range since the device was opened. */
export const movedAxes = new Set<AxisName>();

const MOVED = 0.1;
const extent: Partial<Record<AxisName, { low: number; high: number }>> = {};

let own: { source: DeviceSource; simulated: SimulatedRig | null } | null = null;
let stopListening = () => {};

/** Opens the device of a rig and closes the one before. */
export function openDevice(device: RigDevice, driver: string): () => void {
  let isOff = false;
  const open = () => {
    if (isOff) return;
    const simulated = device.kind === 'simulated' ? simulatedRigUnder(device.rig, driver) : null;
    own = { source: simulated ?? realDevice(device.kind === 'real' ? device.axes : {}), simulated };
    show(own.source, simulated, null);
  };
  const isRaw =
    device.kind === 'real' && Object.values(device.axes).some(({ place }) => place.kind === 'hid');
  if (isRaw) void openKnownHids().finally(open);
  else open();
  return () => {
    isOff = true;
    endReplay();
    own?.source.close();
    own = null;
    stopListening();
    forget();
    useLiveRig.setState({ source: null, simulated: null, state: 'waiting' });
  };
}

function show(source: DeviceSource, simulated: SimulatedRig | null, replay: Replay | null) {
  stopListening();
  forget();
  stopListening = source.subscribe({
    samples(batch) {
      for (const [name, column] of Object.entries(batch.axes))
        noteRaw(source, name as AxisName, column[column.length - 1]!);
    },
    state: (state) => useLiveRig.setState({ state }),
  });
  simulated?.setSpeed(useLiveRig.getState().pace);
  useLiveRig.setState({ source, simulated, replay, state: source.state });
}

function noteRaw(source: DeviceSource, axis: AxisName, raw: number) {
  latestRaw[axis] = raw;
  if (movedAxes.has(axis)) return;
  const range = source.info.ranges[axis];
  const known = (extent[axis] ??= { low: raw, high: raw });
  known.low = Math.min(known.low, raw);
  known.high = Math.max(known.high, raw);
  if (range && known.high - known.low > MOVED * (range.max - range.min)) movedAxes.add(axis);
}

function forget() {
  for (const name of Object.keys(latestRaw) as AxisName[]) delete latestRaw[name];
  for (const name of Object.keys(extent) as AxisName[]) delete extent[name];
  movedAxes.clear();
}

/** Plays a capture in the place of the device, until it is ended. */
export function beginReplay(recording: Recording) {
  endReplay();
  const replay = replayDevice(recording);
  show(replay, null, replay);
}

export function endReplay() {
  const { replay } = useLiveRig.getState();
  if (!replay) return;
  replay.close();
  useLiveRig.setState({ replay: null });
  if (own) show(own.source, own.simulated, null);
}

/** Whether the live device gives an axis. */
export function gives(source: DeviceSource | null, axis: AxisName): boolean {
  return source !== null && axesOfSource(source).includes(axis);
}

function simulatedRigUnder(id: string, driver: string): SimulatedRig {
  const rig = simulatedRigById(id);
  return simulatedRig({ ...rig, axes: simulatedAxes(rig, driver) }, Date.now());
}
