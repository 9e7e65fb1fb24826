'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { writtenValue } from '@/core/card/setupCard';
import { tone } from '@/live/voice';
import { cardTypedIn } from '@/book/write/card';
import { cardOf } from '@/book/judge/card';
import { useLiveRig } from '@/live/liveRig';
import { told } from '@/parts/told';
import { AnswerWords } from './answerWords';
import type { TaskProps } from './task';
import { SeatScreen } from './SeatScreen';
import { useSeatAnswer } from './useSeatAnswer';

/** The card one value at a time, read aloud: a paddle goes on, the other one back. */
export function CardTask({ view, taught, onDone }: TaskProps) {
  const router = useRouter();
  const source = useLiveRig((live) => live.source);
  const [at, setAt] = useState(0);
  const lines = cardOf(view).pages.flatMap((page) =>
    page.lines.map((line) => ({ ...line, path: page.path })),
  );
  const line = lines[at];
  useSeatAnswer(source, taught.meaning, (answer) => {
    if (answer === 'no') return setAt(Math.max(0, at - 1));
    tone('counted');
    if (at + 1 < lines.length) return setAt(at + 1);
    void cardTypedIn(true).then((reply) => {
      if (!told(reply)) return;
      router.refresh();
      onDone();
    });
  });
  if (!line) return null;
  const value = writtenValue(line);
  return (
    <SeatScreen
      title={`${line.axis} ${line.label.toLowerCase()}: ${value}`}
      how={`${line.path}. ${line.isNeutral ? 'Its neutral.' : `In steps of ${line.step}.`}`}
      done={0}
      of={1}
      remark={`${at + 1} of ${lines.length}`}
      leaveTo="/card"
      answers={
        <AnswerWords buttons={taught.buttons} yes="typed in, next" no={at === 0 ? null : 'the one before'} />
      }
    />
  );
}
