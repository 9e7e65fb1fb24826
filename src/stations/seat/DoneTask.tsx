'use client';

import { useLiveRig } from '@/live/liveRig';
import { AnswerWords } from './answerWords';
import type { TaskProps } from './task';
import { SeatScreen } from './SeatScreen';
import { useSeatAnswer } from './useSeatAnswer';

/** The end of a go: settled, or the exact reasons why not. */
export function DoneTask({ taught, place, end: { title, how, leaveTo }, onLeave }: TaskProps) {
  const source = useLiveRig((live) => live.source);
  useSeatAnswer(source, taught, (answer) => answer === 'yes' && onLeave(leaveTo));
  return (
    <SeatScreen
      title={title}
      how={how}
      done={place.of}
      of={place.of}
      leaveTo={leaveTo}
      answers={<AnswerWords taught={taught} yes="leave the seat" no={null} />}
    />
  );
}
