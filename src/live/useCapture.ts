'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import type { CaptureStep } from '@/core/axes/programme';
import type { AxisName } from '@/core/axes/axes';
import type { DeviceSource } from '@/devices/source';
import { columnSender } from '@/workers/sendColumns';
import { captureSession, type CaptureSession, type CaptureStatus, type Resumed } from './captureSession';

/** The capture that ended last, until the book has the last of its draft. */
let ending: Promise<void> = Promise.resolve();
/** Once nothing of a capture is under way any more: what is done to its draft before that would be done to half of it. */
export const captureEnded = (): Promise<void> => ending;

export type CaptureStart = { axis: AxisName; steps: CaptureStep[] } | Resumed;

/**
 * Runs one capture session while the component stands; ends it as a draft when it goes.
 * @param onStep called at every new step, before React hears of it
 * @param onKept called once the capture is in the book
 */
export function useCapture(
  source: DeviceSource,
  start: CaptureStart,
  onStep: (step: CaptureStep | null, axis: AxisName) => void,
  onKept: () => void,
) {
  const router = useRouter();
  const [status, setStatus] = useState<CaptureStatus | null>(null);
  const [session, setSession] = useState<CaptureSession | null>(null);
  const latest = useRef({ onStep, onKept });
  useEffect(() => {
    latest.current = { onStep, onKept };
  });
  useEffect(() => {
    const sender = columnSender('/api/captures');
    const listener = {
      onStatus: setStatus,
      onStep: (step: CaptureStep | null, axis: AxisName) => latest.current.onStep(step, axis),
    };
    const opened = captureSession(source, start, listener, sender.send);
    setSession(opened);
    return () => {
      setSession(null);
      setStatus(null);
      sender.leave();
      ending = opened.close().then(() => {
        sender.close();
        router.refresh();
      });
    };
  }, [source, start, router]);
  const isKept = status?.saving === 'kept';
  useEffect(() => {
    if (!isKept) return;
    router.refresh();
    latest.current.onKept();
  }, [isKept, router]);
  return { status, session };
}
