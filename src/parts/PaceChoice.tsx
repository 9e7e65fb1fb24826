'use client';

import { setPace, useLiveRig } from '@/live/liveRig';
import { Choice } from './Choice';

const PACES = [1, 4, 16];

/** How much faster than the clock a simulated rig lives. */
export function PaceChoice() {
  const pace = useLiveRig((live) => live.pace);
  return (
    <div className="mt-3 flex items-center gap-2" role="group" aria-label="Pace of simulated time">
      <span className="text-sm text-muted">Pace</span>
      {PACES.map((times) => (
        <Choice key={times} isOn={pace === times} onClick={() => setPace(times)}>
          {times}×
        </Choice>
      ))}
    </div>
  );
}
