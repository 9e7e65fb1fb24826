'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { reasonOf, type Outcome } from '@/core/problem';
import { type BaseByHand, FEWEST_USABLE } from '@/core/identify/baseByHand';
import { isSpin } from '@/core/identify/hungMass';
import type { DeviceSource } from '@/devices/source';
import type { SimulatedRig } from '@/devices/simulatedRig';
import { startWorker } from '@/workers/startWorker';
import { spinSession, type SpinSession, type SpinStatus } from './spinSession';

/** What the spins so far say. */
export type Found = Outcome<BaseByHand> | null;

/**
 * Measures a base by hand while the component stands: counts spins, and has a worker work out what they say after each. A
 * simulated rig follows.
 */
export function useSpins(source: DeviceSource, simulated: SimulatedRig | null, countsPerDegree: number) {
  const [status, setStatus] = useState<SpinStatus | null>(null);
  const [found, setFound] = useState<Found>(null);
  const [fault, setFault] = useState<string | null>(null);
  const [session, setSession] = useState<SpinSession | null>(null);
  const asked = useRef(0);
  useEffect(() => {
    const worker = startWorker.base();
    let opened: SpinSession | null = null;
    let isOver = false;
    const estimate = () => {
      if (!opened) return;
      const { runs } = opened.guide.state;
      if (runs.filter(({ label }) => isSpin(label)).length < FEWEST_USABLE) return;
      const mine = ++asked.current;
      worker
        .ask((base) => base.estimate([{ recording: opened!.recording(), countsPerDegree }]))
        .then((outcome) => !isOver && mine === asked.current && setFound(outcome))
        .catch((error: unknown) => !isOver && setFault(reasonOf(error)));
    };
    opened = spinSession(source, countsPerDegree, setStatus, estimate);
    setSession(opened);
    return () => {
      isOver = true;
      opened.close();
      worker.end();
      simulated?.perform('steering', 'off');
      setSession(null);
    };
  }, [source, simulated, countsPerDegree]);
  const step = status?.step ?? null;
  const motion = step?.kind === 'pendulum' ? step.label : step?.kind === 'flick' ? 'flick' : 'off';
  useEffect(() => {
    simulated?.perform('steering', motion);
  }, [simulated, motion]);
  return useMemo(() => ({ status, found, fault, session }), [status, found, fault, session]);
}
