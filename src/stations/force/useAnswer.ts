import { useEffect, useRef, useState } from 'react';
import type { Remote } from 'comlink';
import { reasonOf } from '@/core/problem';
import type { ForceWorker } from '@/workers/force.worker';
import type { ForceState } from './useForce';

interface Answer<T> {
  /** The newest answer; it stands until a newer one is there. */
  answer: T | null;
  isBusy: boolean;
  fault: string | null;
}

/**
 * One more question about the ride that was driven, asked again when the settings that are tried or the question change.
 * @param question what is asked, as text
 */
export function useAnswer<T>(
  force: ForceState,
  question: string,
  ask: (worker: Remote<ForceWorker>) => Promise<T>,
): Answer<T> {
  const [known, setKnown] = useState<{
    of: unknown;
    question: string;
    answer: T | null;
    fault: string | null;
  }>({
    of: null,
    question,
    answer: null,
    fault: null,
  });
  const latest = useRef(ask);
  useEffect(() => {
    latest.current = ask;
  });
  const { answered, facts, ask: throughWorker } = force;
  // After what the station itself asks: a slider is followed first.
  const isReady = answered === facts.values;
  useEffect(() => {
    if (!isReady) return;
    let isOff = false;
    throughWorker((worker) => latest.current(worker)).then(
      (answer) => {
        if (!isOff) setKnown({ of: facts, question, answer, fault: null });
      },
      (error: unknown) => {
        if (!isOff) setKnown({ of: facts, question, answer: null, fault: reasonOf(error) });
      },
    );
    return () => {
      isOff = true;
    };
  }, [isReady, facts, question, throughWorker]);
  const isSame = known.question === question;
  return {
    answer: isSame ? known.answer : null,
    isBusy: known.of !== facts || !isSame,
    fault: isSame ? known.fault : null,
  };
}
