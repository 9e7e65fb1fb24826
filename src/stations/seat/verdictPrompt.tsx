'use client';

import type { Answer } from '@/live/answerButtons';
import { useLiveRig } from '@/live/liveRig';
import { AnswerWords } from './answerWords';
import { SeatScreen } from './SeatScreen';
import type { TaskProps } from './task';
import { useSeatAnswer } from './useSeatAnswer';

/** What a task of Verdict gets beside the question. */
export type Props = Omit<TaskProps, 'verdict'>;

/** One prompt with a yes and a no. */
export function Prompt({
  taught,
  place,
  title,
  how,
  yes,
  no,
  remark,
  leaveTo = '/verdict',
  isDriven = false,
  onAnswer,
}: Pick<Props, 'taught' | 'place'> & {
  title: string;
  how: string;
  yes: string | null;
  no: string | null;
  remark?: string;
  leaveTo?: string;
  /** Something is driven in the title meanwhile: there a held pedal drives, and says yes only where no button can. */
  isDriven?: boolean;
  onAnswer(answer: Answer): void;
}) {
  const source = useLiveRig((live) => live.source);
  const holds = !isDriven || taught.buttons.yes === null;
  useSeatAnswer(source, taught, onAnswer, holds);
  return (
    <SeatScreen
      title={title}
      how={how}
      done={place.done}
      of={place.of}
      leaveTo={leaveTo}
      remark={remark ?? ''}
      answers={<AnswerWords taught={taught} yes={yes} no={no} holds={holds} />}
    />
  );
}
