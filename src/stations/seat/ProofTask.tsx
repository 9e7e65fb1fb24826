'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { workedByOf } from '@/core/rig/rigSpec';
import { tone } from '@/live/voice';
import { signProof } from '@/book/write/captures';
import { proofFigure, proofPrompt, shortWords } from '@/words/proof';
import { useProof } from '@/live/useProof';
import { useLiveRig } from '@/live/liveRig';
import { notifyReply } from '@/parts/notifyReply';
import { AnswerWords } from './answerWords';
import type { TaskProps } from './task';
import { SeatScreen } from './SeatScreen';
import { useSeatAnswer } from './useSeatAnswer';

/** The final check from the seat: each axis shows what it must, or is noted; signed at the end. */
export function ProofTask({ view, taught, place, onDone }: TaskProps) {
  const router = useRouter();
  const { source, simulated } = useLiveRig();
  const { status, giveUp } = useProof(source, simulated, view.axes);
  useSeatAnswer(source, taught, (answer) => answer === 'no' && giveUp(), false);
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
      notifyReply(reply);
      router.refresh();
      onDone();
    });
  }, [isOver, results, router, onDone]);
  if (!status?.current) return null;
  return (
    <SeatScreen
      {...proofPrompt(status.current, workedByOf(view.rig.spec))}
      done={place.done}
      of={place.of}
      remark={
        status.isGone
          ? 'The device is unplugged; plug it in to go on.'
          : shortWords(status.short, status.current.axis)
      }
      isFault={status.isGone}
      answers={<AnswerWords taught={taught} yes={null} no="it does not come" holds={false} />}
    >
      <p className="text-8xl font-bold">
        {status.value === null ? '–' : proofFigure(status.current, status.value)}
      </p>
    </SeatScreen>
  );
}
