'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Said, TrialOutcome } from '@/core/experiment/trial';
import type { ExperimentView } from '@/book/model/experimentView';
import { bookTrial, sayAnswer } from '@/book/write/experiments';
import type { Reply } from '@/book/write/reply';
import { notifyReply } from './notifyReply';

/** Asks the server for something, one thing at a time. @param onDone where it was done */
export function useAsking(onDone?: () => void) {
  const router = useRouter();
  const [isBusy, setBusy] = useState(false);
  const ask = async (work: Promise<Reply>) => {
    setBusy(true);
    const isDone = notifyReply(await work);
    if (isDone) onDone?.();
    router.refresh();
    setBusy(false);
    return isDone;
  };
  return { isBusy, ask };
}

/** What is done about a question that waits for a ride, or for what is said of it. */
export function useTurn({ id, step }: Pick<ExperimentView, 'id' | 'step'>, onDone?: () => void) {
  const { isBusy, ask } = useAsking(onDone);
  const place = step.kind === 'over' ? 0 : step.place;
  return {
    isBusy,
    book: (outcome: TrialOutcome, rideId?: string) => ask(bookTrial({ id, place, outcome, rideId })),
    say: (said: Said) => ask(sayAnswer({ id, place, said })),
  };
}
