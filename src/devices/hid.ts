import { hidAxes, hidButtons, readHidField, type HidField } from './hidLayout';

/** A device that sends raw reports, opened, with the newest value of each of its fields. */
export interface OpenHid {
  key: string;
  name: string;
  axes: HidField[];
  buttons: HidField[];
  values: (number | undefined)[];
  pressed: boolean[];
  reports: number;
  firstAt: number;
  lastAt: number;
  isConnected: boolean;
}

type ReportListener = (device: OpenHid, atMs: number) => void;

const open = new Map<string, OpenHid>();
const listeners = new Set<ReportListener>();

/** Not every browser has it, whatever the types say. */
function browserHid(): HID | undefined {
  return typeof navigator === 'undefined' ? undefined : (navigator as Partial<Navigator>).hid;
}

export const canUseHid = (): boolean => browserHid() !== undefined;

export const openHids = (): OpenHid[] => [...open.values()].filter((device) => device.isConnected);

export function hidByKey(key: string): OpenHid | undefined {
  const device = open.get(key);
  return device?.isConnected ? device : undefined;
}

/** Called at every report of any opened device, in the order in which they come. */
export function onHidReport(listener: ReportListener): () => void {
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
  };
}

/** Opens every device that this page was allowed to use before. */
export async function openKnownHids(): Promise<OpenHid[]> {
  const hid = browserHid();
  if (!hid) return [];
  await Promise.all((await hid.getDevices()).map(openDevice));
  return openHids();
}

/** Asks the driver which device may be read raw. Needs a click or a key. */
export async function allowHid(): Promise<OpenHid[]> {
  const hid = browserHid();
  if (!hid) return [];
  await Promise.all((await hid.requestDevice({ filters: [] })).map(openDevice));
  return openHids();
}

async function openDevice(device: HIDDevice): Promise<void> {
  const key = `hid:${hex(device.vendorId)}:${hex(device.productId)}`;
  const axes = hidAxes(device.collections);
  if (axes.length === 0 || open.get(key)?.isConnected) return;
  try {
    if (!device.opened) await device.open();
  } catch {
    // Another program holds it: the Gamepad API goes on as before.
    return;
  }
  const state: OpenHid = {
    key,
    name: device.productName || key,
    axes,
    buttons: hidButtons(device.collections),
    values: axes.map(() => undefined),
    pressed: [],
    reports: 0,
    firstAt: 0,
    lastAt: 0,
    isConnected: true,
  };
  open.set(key, state);
  device.addEventListener('inputreport', (event) => take(state, event));
  browserHid()?.addEventListener('disconnect', (event) => {
    if (event.device === device) state.isConnected = false;
  });
}

function take(state: OpenHid, { reportId, data, timeStamp }: HIDInputReportEvent) {
  state.axes.forEach((field, i) => {
    if (field.reportId === reportId) state.values[i] = readHidField(field, data);
  });
  state.pressed = state.buttons.map((field, i) =>
    field.reportId === reportId ? readHidField(field, data) === 1 : (state.pressed[i] ?? false),
  );
  if (state.reports++ === 0) state.firstAt = timeStamp;
  state.lastAt = timeStamp;
  for (const listener of [...listeners]) listener(state, timeStamp);
}

/** Reports per second so far. */
export function hidRate({ reports, firstAt, lastAt }: OpenHid): number | null {
  return reports > 10 && lastAt > firstAt ? (1000 * (reports - 1)) / (lastAt - firstAt) : null;
}

const hex = (n: number) => n.toString(16).padStart(4, '0');
