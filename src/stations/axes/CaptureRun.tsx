'use client';

import { useEffect, useMemo, useRef } from 'react';
import type { CaptureStep } from '@/core/axes/programme';
import { AXIS_WORDS, type AxisName, type WorkedBy } from '@/core/axes/axes';
import { describeProblem } from '@/core/problem';
import type { SimulatedRig } from '@/devices/simulatedRig';
import type { DeviceSource } from '@/devices/source';
import { Button } from '@/ui/Button';
import { LiveCanvas } from '@/ui/LiveCanvas';
import { useKeys } from '@/ui/useKeys';
import { useAnswerButtons } from '@/live/answerButtons';
import { StationPage } from '@/ui/StationPage';
import { CaptureProgress } from '@/parts/CaptureProgress';
import { liveTrace } from '@/parts/liveTrace';
import { otherAxisText, promptOf, remarkText } from '@/words/prompts';
import { SimulatedPanel } from '@/parts/SimulatedPanel';
import { TeachButtons } from './TeachButtons';
import { useCapture, type CaptureStart } from '@/live/useCapture';

interface Props {
  source: DeviceSource;
  simulated: SimulatedRig | null;
  start: CaptureStart;
  isSequential: boolean;
  by: WorkedBy;
  /** Other axes that follow in this go. */
  toFollow: AxisName[];
  onKept(): void;
  onStop(): void;
}

/** A guided capture under way: one prompt, the live trace, progress as pebbles. */
export function CaptureRun({ source, simulated, start, isSequential, by, toFollow, onKept, onStop }: Props) {
  const taught = useAnswerButtons(source);
  const followRef = useRef<((step: CaptureStep | null, axis: AxisName) => void) | null>(null);
  const { status, session } = useCapture(
    source,
    start,
    (step, axis) => followRef.current?.(step, axis),
    onKept,
  );
  const { meaning } = taught;
  useEffect(
    () =>
      source.subscribe({
        button(index) {
          const answer = meaning(index);
          if (answer === 'yes') session?.accept();
          if (answer === 'no') session?.redo();
        },
      }),
    [source, session, meaning],
  );
  const prevented = (act: () => void) => (event: KeyboardEvent) => {
    event.preventDefault();
    act();
  };
  useKeys({
    ' ': prevented(() => session?.accept()),
    u: prevented(() => session?.redo()),
    k: () => session?.keep(),
    Escape: prevented(onStop),
  });
  const draw = useMemo(() => (session ? liveTrace(session) : () => undefined), [session]);
  if (!status || !session) return null;
  const { axis, step } = status;
  const prompt = promptOf(axis, step, status.at, isSequential, by);
  const remark = status.isGone
    ? remarkText({ kind: 'unplugged' }, axis)
    : status.otherMoves
      ? otherAxisText(axis, status.otherMoves)
      : remarkText(status.remark, axis, by);
  return (
    <StationPage
      finding={prompt.title}
      subtitle={prompt.how}
      next={
        <>
          <div className="flex flex-wrap gap-2 border-b border-line py-4">
            {step ? (
              <Button look="next" onClick={() => session.accept()}>
                Accept
              </Button>
            ) : (
              <Button look="next" disabled={status.saving === 'saving'} onClick={() => session.keep()}>
                Keep
              </Button>
            )}
            <Button onClick={() => session.redo()}>Do it again</Button>
            <Button look="quiet" onClick={onStop}>
              Stop
            </Button>
            <p className="w-full text-sm text-muted">
              Holding still accepts by itself. Space or the device&apos;s yes button accepts by hand, U or no
              does the step again. Stopping keeps a draft.
            </p>
            {toFollow.length > 0 && (
              <p className="w-full text-sm text-muted">
                Then: {toFollow.map((next) => AXIS_WORDS[next]).join(', ')}.
              </p>
            )}
          </div>
          <TeachButtons taught={taught} canName={simulated === null} />
          {simulated && (
            <SimulatedPanel
              key={axis}
              rig={simulated}
              state={status.isGone ? 'gone' : 'live'}
              axis={axis}
              step={step}
              followRef={followRef}
            />
          )}
        </>
      }
    >
      <CaptureProgress axis={axis} steps={session.state.steps} status={status} />
      <LiveCanvas draw={draw} label={`${AXIS_WORDS[axis]}, live`} className="mt-3 block h-96 w-full" />
      <p
        aria-live="polite"
        role="status"
        className={`mt-3 min-h-7 text-lg font-semibold ${status.isGone ? 'text-rust' : ''}`}
      >
        {remark}
      </p>
      {status.problems.length > 0 && (
        <div role="alert" className="mt-2 border-l-4 border-rust pl-4">
          {status.problems.map((problem) => (
            <p key={problem.code}>{describeProblem(problem)}</p>
          ))}
          <p className="mt-1 text-muted">What was recorded is kept as a draft.</p>
        </div>
      )}
    </StationPage>
  );
}
