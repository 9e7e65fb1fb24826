'use client';

import { useEffect } from 'react';
import type { SimulatedRig } from '@/devices/simulatedRig';
import { setPace, useLiveRig } from '@/live/liveRig';
import { Choice } from '@/parts/Choice';

const SPEEDS = [1, 4, 16];
const YES = 0;
const NO = 1;

/** Stands in for the driver: a simulated rig does what is asked by itself; its buttons and its cable are here. */
export function SimulatedSeat({ rig }: { rig: SimulatedRig }) {
  const pace = useLiveRig((live) => live.pace);
  const state = useLiveRig((live) => live.state);
  useEffect(() => () => setPace(1), []);
  return (
    <div
      role="group"
      aria-label="Simulated rig"
      className="fixed right-2 bottom-2 left-2 sm:right-6 sm:bottom-4 sm:left-auto flex flex-wrap items-center gap-2 rounded-lg border border-line bg-ground p-2"
    >
      <span className="px-1 text-sm text-muted">Simulated rig</span>
      {SPEEDS.map((times) => (
        <Choice key={times} isOn={pace === times} onClick={() => setPace(times)}>
          {times}×
        </Choice>
      ))}
      <Choice isOn={false} onClick={() => rig.pressButton(YES)}>
        Yes
      </Choice>
      <Choice isOn={false} onClick={() => rig.pressButton(NO)}>
        No
      </Choice>
      <Choice isOn={state === 'gone'} onClick={() => (state === 'gone' ? rig.plugIn() : rig.unplug())}>
        {state === 'gone' ? 'Plug in' : 'Unplug'}
      </Choice>
    </div>
  );
}
