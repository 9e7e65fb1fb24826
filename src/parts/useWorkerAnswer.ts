import { useCallback, useEffect, useRef, useState } from 'react';
import type { Remote } from 'comlink';
import { describeProblem, reasonOf, type Outcome } from '@/core/problem';
import type { StartedWorker } from '@/workers/startedWorker';

/** Questions to a worker of their own, one at a time: what was asked last is what is told. */
export function useWorkerAnswer<W>(start: () => StartedWorker<W>) {
  const [isBusy, setBusy] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const current = useRef<StartedWorker<W> | null>(null);
  useEffect(() => () => current.current?.end(), []);
  /** @param of what is asked about, as the fault calls it */
  const ask = useCallback(
    async <T>(
      of: string,
      question: (worker: Remote<W>) => Promise<Outcome<T>>,
      onAnswer: (value: T) => void,
    ) => {
      current.current?.end();
      const mine = (current.current = start());
      setBusy(true);
      setFault(null);
      try {
        const answer = await mine.ask(question);
        if (current.current !== mine) return;
        if (answer.ok) onAnswer(answer.value);
        else setFault(answer.problems.map(describeProblem).join(' '));
      } catch (error) {
        if (current.current === mine) setFault(`${of} was not read: ${reasonOf(error)}`);
      } finally {
        if (current.current === mine) setBusy(false);
        mine.end();
      }
    },
    [start],
  );
  return { isBusy, fault, ask };
}
