'use client';

import { useCallback, useEffect, useRef } from 'react';

/**
 * What is done at the end of a ride, once: when it is over by itself, or when somebody ends it.
 * @returns ends it; the work of whoever came first is what is waited for
 */
export function useAtEnd<T>(isOver: boolean, work: () => Promise<T>): () => Promise<T> {
  const latest = useRef(work);
  useEffect(() => {
    latest.current = work;
  });
  const done = useRef<Promise<T> | null>(null);
  const end = useCallback(() => (done.current ??= latest.current()), []);
  useEffect(() => {
    if (isOver) void end();
  }, [isOver, end]);
  return end;
}
