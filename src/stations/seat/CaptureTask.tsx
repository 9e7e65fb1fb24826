'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { obedientMotion } from '@/core/axes/actor';
import type { AxisName } from '@/core/axes/axes';
import { workedByOf } from '@/core/rig/rigSpec';
import { describeProblem } from '@/core/problem';
import { LiveCanvas } from '@/ui/LiveCanvas';
import { tone } from '@/live/voice';
import { stepsFor } from '@/core/axes/stepsFor';
import { CaptureProgress } from '@/parts/CaptureProgress';
import { isAway, loadDraft } from '@/live/captureSession';
import { liveTrace } from '@/parts/liveTrace';
import { otherAxisText, promptOf, remarkText } from '@/words/prompts';
import { useCapture, type CaptureStart } from '@/live/useCapture';
import { gives, useLiveRig } from '@/live/liveRig';
import { AnswerWords } from './answerWords';
import type { TaskProps } from './task';
import { SeatScreen } from './SeatScreen';
import { useSeatAnswer } from './useSeatAnswer';

type Props = TaskProps & { axis: AxisName };

/** A guided capture in seat posture; goes on from a draft where one waits. An axis that sends nothing is passed over. */
export function CaptureTask(props: Props) {
  const { view, axis, onDone } = props;
  const source = useLiveRig((live) => live.source);
  const [start, setStart] = useState<CaptureStart | null>(null);
  const isThere = gives(source, axis);
  const hasDraft = view.axes.find((a) => a.axis === axis)?.draft !== null;
  const fresh = useRef<CaptureStart>({ axis, steps: stepsFor(view.rig.spec, axis) });
  useEffect(() => {
    if (!isThere) return onDone();
    if (!hasDraft) return setStart(fresh.current);
    void loadDraft(axis).then((draft) => setStart(draft ?? fresh.current));
    // Once per task: a draft that this very capture makes is not to be gone on from.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  const again = () => setStart({ axis, steps: stepsFor(view.rig.spec, axis) });
  return start && source ? <Running {...props} start={start} onAgain={again} /> : null;
}

const FAULTS = new Set([
  'moved',
  'turned-while-resting',
  'pressed-instead-of-resting',
  'pressed-too-far',
  'too-fast',
  'not-to-the-stop',
  'short-on-one-side',
  'not-held',
  'press-stopped-early',
  'wrong-side',
  'not-the-angle',
  'gate-taken',
  'unplugged',
]);

type RunningProps = Props & { start: CaptureStart; onAgain(): void };

function Running({ view, taught, place, onDone, axis, start, onAgain }: RunningProps) {
  const source = useLiveRig((live) => live.source)!;
  const simulated = useLiveRig((live) => live.simulated);
  const { status, session } = useCapture(
    source,
    start,
    (step, on) => simulated?.perform(on, obedientMotion(step)),
    onDone,
  );
  useSeatAnswer(
    source,
    taught,
    (answer) => {
      if (status?.saving === 'refused') {
        if (isAway(status.problems)) session?.keep();
        else if (answer === 'yes') onAgain();
      } else if (answer === 'yes') session?.accept();
      else session?.redo();
    },
    false,
  );
  const kind = status?.remark.kind ?? 'none';
  const counted = status ? `${status.at}/${status.done}` : '';
  const isFault = FAULTS.has(kind);
  useEffect(() => {
    if (counted !== '' && counted !== '0/0') tone('counted');
  }, [counted]);
  useEffect(() => {
    if (isFault) tone('fault');
  }, [kind, isFault]);
  const draw = useMemo(() => (session ? liveTrace(session) : () => undefined), [session]);
  if (!status || !session) return null;
  const isSequential = view.rig.spec.shifter?.kind === 'sequential';
  const by = workedByOf(view.rig.spec);
  const prompt = promptOf(axis, status.step, status.at, isSequential, by);
  const problem = status.problems[0];
  const moves = status.otherMoves
    ? otherAxisText(axis, status.otherMoves)
    : remarkText(status.remark, axis, by);
  const live = status.isGone ? remarkText({ kind: 'unplugged' }, axis) : moves;
  const remark = problem ? describeProblem(problem) : live;
  return (
    <SeatScreen
      {...prompt}
      done={place.done}
      of={place.of}
      remark={remark}
      isFault={isFault || problem !== undefined}
      leaveTo={`/axes/${axis}`}
      answers={
        <AnswerWords
          taught={taught}
          {...(status.saving !== 'refused'
            ? { yes: 'take it as it is', no: 'this step again' }
            : isAway(status.problems)
              ? { yes: 'try to keep it again', no: null }
              : { yes: 'measure it again', no: null })}
          holds={false}
        />
      }
    >
      <CaptureProgress axis={axis} steps={session.state.steps} status={status} isLarge />
      <LiveCanvas draw={draw} label={`${axis}, live`} className="mt-4 block h-44 w-full" />
    </SeatScreen>
  );
}
