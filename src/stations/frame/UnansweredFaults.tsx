'use client';

import { useEffect } from 'react';
import { notify } from '@/ui/notices';

/** Whether the message of an error says so. */
const says = (words: RegExp) => (error: Error) => words.test(error.message);

/** What can become of something that was asked of the program, by how browsers and the framework tell it. */
const FAULTS: { is: (error: Error) => boolean; words: string }[] = [
  {
    is: says(/failed to fetch|networkerror|load failed|failed to load chunk/i),
    words:
      'Pebble Road does not answer: what was asked of it just now may not be done. Start the program again and look at the trail; all that was applied before is safe.',
  },
  {
    is: says(/was not found on the server/i),
    words:
      'This page is older than the program, which was changed meanwhile: what was asked just now is not done. Reload the page and do it again.',
  },
  {
    is: says(/request is not whole/i),
    words:
      'Pebble Road could not do what was asked of it just now: it did not arrive whole, and nothing was changed. Reload the page and do it again.',
  },
  {
    // What went wrong on the server has a number here, and stands in full over there.
    is: (error) => 'digest' in error || says(/unexpected response/i)(error),
    words:
      'Pebble Road could not do what was asked of it just now; all that was applied before is safe. Reload the page and look at the trail. What went wrong stands in the window that the program runs in.',
  },
];

/** Says what became of it; whether the program still did what was asked, only the trail knows. */
export function UnansweredFaults() {
  useEffect(() => {
    const onFault = (event: PromiseRejectionEvent) => {
      const { reason } = event as { reason: unknown };
      const fault = reason instanceof Error && FAULTS.find(({ is }) => is(reason));
      if (!fault) return;
      event.preventDefault();
      notify(fault.words, 'fault');
    };
    window.addEventListener('unhandledrejection', onFault);
    return () => window.removeEventListener('unhandledrejection', onFault);
  }, []);
  return null;
}
