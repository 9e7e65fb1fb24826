'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { AxisName } from '@/core/axes/axes';
import { workedByOf } from '@/core/rig/rigSpec';
import { useKeys } from '@/ui/useKeys';
import type { AxisPast, AxisView } from '@/book/model/axisView';
import type { BookView } from '@/book/model/bookView';
import { gives, setPace, useLiveRig } from '@/live/liveRig';
import { discardDraft } from '@/book/write/captures';
import { AxisResult } from './AxisResult';
import { CaptureRun } from './CaptureRun';
import { loadDraft } from '@/live/captureSession';
import { HistoryView } from './HistoryView';
import { MeasureSteps } from './MeasureSteps';
import { NotMeasured } from './NotMeasured';
import { captureEnded, type CaptureStart } from '@/live/useCapture';
import { stepsFor } from '@/core/axes/stepsFor';

/** Captures under way: the one that runs, and the axes that follow it in this go. */
interface Run {
  start: CaptureStart;
  toFollow: AxisName[];
}

/** Axes: what the newest capture of an axis says, its history, and the guided captures that make new ones. */
export function AxesStation({
  view,
  axis: name,
  past,
  begins = false,
}: {
  view: BookView;
  axis: AxisName;
  /** Its captures over the months, where they are what is looked at. */
  past: AxisPast | null;
  /** Whether one came to measure it: then it begins as soon as the device is there. */
  begins?: boolean;
}) {
  const { source, simulated } = useLiveRig();
  const [run, setRun] = useState<Run | null>(null);
  const [takeup, setTakeup] = useState(false);
  const [angles, setAngles] = useState<number[] | null>(null);
  const axis = view.axes.find((a) => a.axis === name) ?? view.axes[0]!;
  const startOf = useCallback(
    (next: AxisName): CaptureStart => ({
      axis: next,
      steps: stepsFor(view.rig.spec, next, { takeup, angles }),
    }),
    [view, takeup, angles],
  );
  const begin = async (first: AxisView, toFollow: AxisName[], fromDraft: boolean) => {
    await captureEnded();
    const resumed = fromDraft ? await loadDraft(first.axis) : null;
    if (!resumed && first.draft) await discardDraft(first.axis);
    setRun({ start: resumed ?? startOf(first.axis), toFollow });
  };
  const isRunning = run !== null;
  // A pace is for one go: the next one begins in real time again.
  useEffect(() => (isRunning ? () => setPace(1) : undefined), [isRunning]);
  const canMeasure = gives(source, axis.axis);
  const hasBegun = useRef(false);
  useEffect(() => {
    if (!begins || !canMeasure || hasBegun.current || axis.capture) return;
    hasBegun.current = true;
    window.history.replaceState(null, '', `/axes/${axis.axis}`);
    setRun({ start: startOf(axis.axis), toFollow: [] });
  }, [begins, canMeasure, axis, startOf]);
  useKeys(
    run
      ? {}
      : {
          ' ': (event) => {
            event.preventDefault();
            if (canMeasure) void begin(axis, [], axis.draft !== null);
          },
        },
  );
  if (run && source)
    return (
      <CaptureRun
        key={'id' in run.start ? run.start.id : run.start.axis}
        source={source}
        simulated={simulated}
        start={run.start}
        toFollow={run.toFollow}
        isSequential={view.rig.spec.shifter?.kind === 'sequential'}
        by={workedByOf(view.rig.spec)}
        onKept={() => {
          const [next, ...rest] = run.toFollow;
          setRun(next ? { start: startOf(next), toFollow: rest } : null);
        }}
        onStop={() => setRun(null)}
      />
    );

  const measurable = view.axes.filter((a) => gives(source, a.axis));
  const measure = (
    <MeasureSteps
      view={view}
      axis={axis}
      canMeasure={canMeasure}
      takeup={takeup}
      onTakeup={setTakeup}
      onAngles={setAngles}
      onBegin={(fromDraft) => void begin(axis, [], fromDraft)}
      onAll={() =>
        measurable[0] &&
        void begin(
          measurable[0],
          measurable.slice(1).map((a) => a.axis),
          false,
        )
      }
    />
  );
  if (past) return <HistoryView view={view} axis={axis} past={past} key={axis.axis} />;
  if (!axis.capture) return <NotMeasured view={view} axis={axis} measure={measure} />;
  return <AxisResult view={view} axis={axis} capture={axis.capture} measure={measure} />;
}
