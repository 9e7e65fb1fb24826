'use client';

import { useEffect, useState } from 'react';

/** What was fetched last stays at hand: going to and fro between two pages asks once. */
const KEPT = 24;
const known = new Map<string, unknown>();

export interface Fetched<T> {
  /** `null` until it is there. */
  value: T | null;
  fault: string | null;
  /** Asks once more, after a fault. */
  again(): void;
}

/**
 * JSON of this server that is asked for when it is drawn.
 * @param url `null` asks for nothing; it has to name everything that its answer hangs on, since what came once is kept
 */
export function useFetched<T>(url: string | null): Fetched<T> {
  const [answers, setAnswers] = useState<{ url: string; fault: string | null } | null>(null);
  const [tries, setTries] = useState(0);
  useEffect(() => {
    if (url === null || known.has(url)) return;
    const call = new AbortController();
    fetchJson<T>(url, call.signal).then(
      () => setAnswers({ url, fault: null }),
      (error: unknown) => {
        if (!call.signal.aborted) setAnswers({ url, fault: error instanceof Error ? error.message : '' });
      },
    );
    return () => call.abort();
  }, [url, tries]);
  return {
    value: url === null ? null : ((known.get(url) as T | undefined) ?? null),
    fault: answers?.url === url ? answers.fault : null,
    again: () => {
      setAnswers(null);
      setTries((n) => n + 1);
    },
  };
}

/** The same at once, for what is asked for by a press. */
export async function fetchJson<T>(url: string, signal?: AbortSignal): Promise<T> {
  const value = await fetchFresh<T>(url, signal);
  known.delete(url);
  known.set(url, value);
  if (known.size > KEPT) known.delete(known.keys().next().value!);
  return value;
}

/** What may be another answer every time: it is not kept. */
export async function fetchFresh<T>(url: string, signal?: AbortSignal): Promise<T> {
  const answer = await fetch(url, signal ? { signal } : {}).catch((error: unknown) => {
    throw new Error('It could not be read: the program does not answer.', { cause: error });
  });
  if (!answer.ok) throw new Error(`It could not be read (${answer.status}).`);
  return (await answer.json()) as T;
}
