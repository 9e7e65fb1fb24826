'use client';

import { useEffect, useState, useSyncExternalStore } from 'react';
import type { AxisName } from '@/core/axes/axes';
import type { AxisSource } from '@/core/rig/rigSpec';
import type { Rig } from '@/core/rig/rig';
import { allowHid, canUseHid, hidRate, openHids, openKnownHids, type OpenHid } from '@/devices/hid';
import { rangeOfPlace, readPlace } from '@/devices/readings';
import { matchRawField, type Series } from '@/devices/matchRawField';
import { Button } from '@/ui/Button';
import { notifyReply } from '@/parts/notifyReply';
import { takeDevice } from '@/book/write/rigs';

const LISTEN_S = 12;
/** What a gamepad axis resolves at best in this browser: the figure behind the gain that is shown. */
const GAMEPAD_HZ = 250;

const neverChanges = () => () => undefined;

/** Full resolution and rate, where the browser offers raw reports: allowed once, then matched by moving everything. */
export function RawReports({ rig }: { rig: Rig }) {
  const [devices, setDevices] = useState<OpenHid[]>([]);
  const [state, setState] = useState<'idle' | 'listening' | 'none'>('idle');
  const { device } = rig.spec;
  useEffect(() => {
    void openKnownHids().then(setDevices);
  }, []);
  // The server cannot know what the browser can: both begin without.
  const isOffered = useSyncExternalStore(neverChanges, canUseHid, () => false);
  if (device.kind !== 'real' || !isOffered) return null;
  const padAxes = Object.entries(device.axes).filter(([, { place }]) => place.kind === 'axis') as [
    AxisName,
    AxisSource,
  ][];
  const rawCount = Object.values(device.axes).filter(({ place }) => place.kind === 'hid').length;
  const match = async () => {
    setState('listening');
    const matched = await listenForTwins(padAxes);
    const found = Object.keys(matched).length;
    setState(found > 0 ? 'idle' : 'none');
    if (found > 0)
      notifyReply(
        await takeDevice({ kind: 'real', axes: { ...device.axes, ...matched } }),
        `${found} axes now come as raw reports`,
      );
  };
  return (
    <div className="mt-2 border-t border-line pt-3 text-[15px]">
      <p className="font-semibold">Full resolution</p>
      {devices.length === 0 ? (
        <>
          <p className="text-muted">
            This browser can read the device’s raw reports: every step of the sensor, at the rate at which
            they come.
          </p>
          <Button className="mt-2" onClick={() => void allowHid().then(setDevices)}>
            Allow raw reports
          </Button>
        </>
      ) : (
        <>
          {devices.map((hid) => (
            <p key={hid.key} className="text-muted">
              {hid.name}: {gain(hid)}
            </p>
          ))}
          <p className="mt-1">
            {rawCount > 0 ? `${rawCount} axes come as raw reports.` : 'No axis uses them yet.'}
          </p>
          {padAxes.length > 0 && (
            <Button className="mt-2" disabled={state === 'listening'} onClick={() => void match()}>
              {state === 'listening'
                ? 'Move wheel and pedals, one after the other…'
                : 'Match them by moving everything'}
            </Button>
          )}
          {state === 'none' && (
            <p className="mt-1 text-rust">
              Nothing moved alike in both. Move every axis over its whole way while it listens.
            </p>
          )}
        </>
      )}
    </div>
  );
}

/** Bits and rate of the raw reports against what the gamepad interface gives. */
function gain(hid: OpenHid): string {
  const bits = hid.axes.map(({ min, max }) => Math.log2(max - min + 1));
  const finest = Math.max(...bits);
  const rate = hidRate(hid);
  const hz =
    rate === null ? 'rate not known until it moves' : `${rate.toFixed(0)} Hz instead of ${GAMEPAD_HZ}`;
  return `${finest.toFixed(0)} bit, ${hz}.`;
}

/** Watches gamepad axes and raw fields together, and pairs those that move alike. */
async function listenForTwins(
  padAxes: [AxisName, AxisSource][],
): Promise<Partial<Record<AxisName, AxisSource>>> {
  const fields = openHids().flatMap(({ key, axes }) =>
    axes.map((_, index) => ({ device: key, place: { kind: 'hid' as const, index } })),
  );
  const series = ({ device, place }: AxisSource): Series => ({ values: [], ...rangeOfPlace(device, place) });
  const axisSeries = padAxes.map(([, source]) => series(source));
  const fieldSeries = fields.map(series);
  const until = performance.now() + LISTEN_S * 1000;
  await new Promise<void>((resolve) => {
    requestAnimationFrame(function look() {
      padAxes.forEach(([, { device, place }], i) =>
        axisSeries[i]!.values.push(readPlace(device, place) ?? 0),
      );
      fields.forEach(({ device, place }, i) => fieldSeries[i]!.values.push(readPlace(device, place) ?? 0));
      if (performance.now() < until) requestAnimationFrame(look);
      else resolve();
    });
  });
  return Object.fromEntries(
    padAxes.flatMap(([axis], i) => {
      const twin = matchRawField(axisSeries[i]!, fieldSeries);
      return twin === null ? [] : [[axis, fields[twin]!]];
    }),
  );
}
