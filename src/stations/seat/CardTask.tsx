'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { writtenValue } from '@/core/card/setupCard';
import { tone } from '@/live/voice';
import { cardTypedIn } from '@/book/write/card';
import { cardToType } from '@/book/judge/cardToType';
import { useLiveRig } from '@/live/liveRig';
import { notifyReply } from '@/parts/notifyReply';
import { AnswerWords } from './answerWords';
import type { TaskProps } from './task';
import { SeatScreen } from './SeatScreen';
import { useSeatAnswer } from './useSeatAnswer';

/** The card from the seat: what changed, one value at a time, read aloud; then whether the rest stands, or is walked through too. */
export function CardTask({ view, taught, onDone }: TaskProps) {
  const router = useRouter();
  const source = useLiveRig((live) => live.source);
  const [{ changed, rest }] = useState(() => cardToType(view));
  const [at, setAt] = useState(0);
  const [withRest, setWithRest] = useState(false);
  const lines = withRest ? [...changed, ...rest] : changed;
  const line = lines[at];
  const finish = () =>
    void cardTypedIn(true).then((reply) => {
      if (!notifyReply(reply)) return;
      router.refresh();
      onDone();
    });
  useSeatAnswer(source, taught, (answer) => {
    if (line) {
      if (answer === 'no') return setAt(Math.max(0, at - 1));
      tone('counted');
      const isLast = at + 1 === lines.length;
      return isLast && (withRest || rest.length === 0) ? finish() : setAt(at + 1);
    }
    if (answer === 'yes') return finish();
    setWithRest(true);
  });
  const word = view.typedIn ? 'as it was when the card was last typed in' : 'at its neutral';
  if (!line)
    return (
      <SeatScreen
        title={`The other ${rest.length}: each ${word}?`}
        how={
          changed.length === 0
            ? 'Nothing has changed. Are you sure that nobody else has?'
            : `The ${changed.length} that changed are typed in. A title that was reset, or driven by others, is walked through.`
        }
        done={1}
        of={1}
        leaveTo="/card"
        answers={<AnswerWords taught={taught} yes="they are, done" no="walk through all" />}
      />
    );
  return (
    <SeatScreen
      title={`${line.axis} ${line.label.toLowerCase()}: ${writtenValue(line)}`}
      how={`${line.path}. ${line.isNeutral ? 'Its neutral.' : `In steps of ${line.step}.`}`}
      done={0}
      of={1}
      remark={`${at + 1} of ${lines.length}${withRest ? '' : ' that changed'}`}
      leaveTo="/card"
      answers={<AnswerWords taught={taught} yes="typed in, next" no={at === 0 ? null : 'the one before'} />}
    />
  );
}
