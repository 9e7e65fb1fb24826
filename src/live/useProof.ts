'use client';

import { useEffect, useRef, useState } from 'react';
import type { ProofItem } from '@/core/axes/proof';
import type { SimulatedRig } from '@/devices/simulatedRig';
import type { DeviceSource } from '@/devices/source';
import type { AxisView } from '@/book/model/axisView';
import { proofSession, type ProofSession, type ProofStatus } from './proofSession';
import { proofMotion } from '@/words/proof';

/** Runs a final check while the component stands; a simulated rig follows it. */
export function useProof(
  source: DeviceSource | null,
  simulated: SimulatedRig | null,
  axes: AxisView[],
  onItem: (item: ProofItem | null) => void = () => {},
) {
  const [status, setStatus] = useState<ProofStatus | null>(null);
  const session = useRef<ProofSession | null>(null);
  const latest = useRef({ axes, onItem });
  useEffect(() => {
    latest.current.onItem = onItem;
  });
  useEffect(() => {
    if (!source) return;
    let before: ProofItem | null = null;
    const opened = proofSession(source, latest.current.axes, setStatus, (item) => {
      if (before && before.axis !== item?.axis) simulated?.perform(before.axis, 'off');
      if (item) simulated?.perform(item.axis, proofMotion(item));
      before = item;
      latest.current.onItem(item);
    });
    session.current = opened;
    return () => {
      opened.close();
      if (before) simulated?.perform(before.axis, 'off');
      session.current = null;
    };
  }, [source, simulated]);
  return { status, giveUp: () => session.current?.giveUp() };
}
