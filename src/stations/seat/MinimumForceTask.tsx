'use client';

import { keyText } from '@/core/settings/setting';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { chainOf } from '@/core/force/chainOf';
import { forceField } from '@/core/force/forceParameters';
import { ROLL_MPS } from '@/core/force/handsOff';
import { greatestMinForce } from '@/core/force/handsOffSearch';
import { minForceStep, upperShare, type MinForceTry } from '@/core/force/minForcePlan';
import { decimalsOf, toCanonical } from '@/core/response/menuSchema';
import { tone } from '@/live/voice';
import { forceFactsOf } from '@/book/judge/force';
import { applyChanges } from '@/book/write/settings';
import { useLiveRig } from '@/live/liveRig';
import { notifyReply } from '@/parts/notifyReply';
import { AnswerWords } from './answerWords';
import type { TaskProps } from './task';
import { SeatScreen } from './SeatScreen';
import { useSeatAnswer } from './useSeatAnswer';

/** Nothing finer is predicted. */
const LEAST_STEP = 0.0025;

/** Minimum force found on the rig itself: a value, a slow roll with the hands off, and whether the rim rocks. */
export function MinimumForceTask({ view, taught, onDone }: TaskProps) {
  const router = useRouter();
  const source = useLiveRig((live) => live.source);
  const isGone = useLiveRig((live) => live.state === 'gone');
  const [tries, setTries] = useState<readonly MinForceTry[]>([]);
  const [isBusy, setBusy] = useState(false);
  const found = forceField(view.menus, view.settings, 'title', 'minForce');
  const bounds = useMemo(() => {
    const chain = chainOf(forceFactsOf(view));
    const step = found ? toCanonical(found.field, found.field.min + found.field.step) : 1;
    return {
      predicted: greatestMinForce(chain, ROLL_MPS, Math.max(LEAST_STEP, step)),
      upper: upperShare(chain),
    };
    // What is set does not change while it is looked for.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [view.combination]);
  const step = found && minForceStep(found.field, bounds, tries);
  const keep = async (value: number) => {
    setBusy(true);
    const why = `Found on the rig in ${tries.length} tries: ${value} stays still, one step more rocks by itself.`;
    if (
      notifyReply(
        await applyChanges([
          { ...found!.key, to: value, seen: view.settings[keyText(found!.key)] ?? null, why },
        ]),
      )
    )
      tone('counted');
    router.refresh();
    onDone();
  };
  useSeatAnswer(source, taught, (answer) => {
    if (!step || isBusy) return;
    if (step.kind === 'try') {
      tone(answer === 'yes' ? 'fault' : 'counted');
      setTries([...tries, { value: step.value, rocks: answer === 'yes' }]);
      return;
    }
    if (step.kind === 'found' && answer === 'yes') void keep(step.value);
    else onDone();
  });
  if (!found || !step)
    return (
      <SeatScreen
        title={`${view.names.title} has no minimum force`}
        how="There is nothing to find here."
        done={0}
        of={1}
        leaveTo="/force"
      />
    );
  const { label } = found.field;
  const text = (value: number) => value.toFixed(decimalsOf(found.field));
  if (step.kind === 'try')
    return (
      <SeatScreen
        title={`${label} ${text(step.value)}: does it rock by itself?`}
        how={`Set it in ${view.names.title}, roll slowly in second gear, hands off the rim but near it.`}
        done={0}
        of={1}
        isFault={isGone}
        remark={
          isGone
            ? 'The device is unplugged; plug it in to go on. Nothing is lost.'
            : remarkOf(step, tries.length)
        }
        leaveTo="/force"
        answers={<AnswerWords taught={taught} yes="it rocks" no="it is still" />}
      />
    );
  return (
    <SeatScreen
      title={step.kind === 'found' ? `${label} ${text(step.value)} stays still` : 'It rocks even without it'}
      how={
        step.kind === 'found'
          ? 'The greatest that does. Leave it set like this in the title.'
          : 'Minimum force is not the cause: look at the damper in Force.'
      }
      done={1}
      of={1}
      leaveTo="/force"
      answers={
        <AnswerWords
          taught={taught}
          yes={step.kind === 'found' ? 'keep it' : 'leave it'}
          no={step.kind === 'found' ? 'not for me' : null}
        />
      }
    />
  );
}

function remarkOf({ isAgain, triesLeft }: { isAgain: boolean; triesLeft: number }, tries: number): string {
  if (isAgain) return 'That surprises: once more, to be sure';
  return tries === 0
    ? 'Begins where the simulation expects it; a strong base: thumbs outside.'
    : `about ${triesLeft} more`;
}
