'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { tone } from '@/ui/voice';
import { signProof } from '../axes/actions';
import { proofFigure, proofPrompt, shortWords } from '../axes/proofWords';
import { useProof } from '../axes/useProof';
import { useLiveRig } from '../frame/liveRig';
import { told } from '../words';
import { AnswerWords } from './answerWords';
import type { TaskProps } from './SeatFlow';
import { SeatScreen } from './SeatScreen';
import { useSeatAnswer } from './useSeatAnswer';

/** The final check from the seat: each axis shows what it must, or is noted; signed at the end. */
export function ProofTask({ view, taught, place, onDone }: TaskProps) {
  const router = useRouter();
  const { source, simulated } = useLiveRig();
  const { status, giveUp } = useProof(source, simulated, view.axes);
  useSeatAnswer(source, taught.meaning, (answer) => answer === 'no' && giveUp(), false);
  const results = status?.results;
  const last = results?.at(-1);
  const count = results?.length ?? 0;
  useEffect(() => {
    if (count > 0) tone(last?.passed ? 'counted' : 'fault');
  }, [count, last?.passed]);
  const signed = useRef(false);
  const basis = useRef(view.proofBasis);
  const isOver = status !== null && status.current === null;
  useEffect(() => {
    if (!isOver || !results || signed.current) return;
    signed.current = true;
    void signProof(results, basis.current).then((reply) => {
      told(reply);
      router.refresh();
      onDone();
    });
  }, [isOver, results, router, onDone]);
  if (!status?.current) return null;
  return (
    <SeatScreen
      {...proofPrompt(status.current)}
      done={place.done}
      of={place.of}
      remark={status.isGone ? 'The device is unplugged; plug it in to go on.' : shortWords(status.short)}
      isFault={status.isGone}
      answers={<AnswerWords buttons={taught.buttons} yes={null} no="it does not come" holds={false} />}
    >
      <p className="text-8xl font-bold">
        {status.value === null ? '–' : proofFigure(status.current, status.value)}
      </p>
    </SeatScreen>
  );
}
