'use client';

import { useEffect } from 'react';
import { notify } from '@/ui/notices';

/** How browsers word it that nobody answered. */
const NO_ANSWER = /failed to fetch|networkerror|load failed|failed to load chunk/i;

/** Says so where the program does not answer; whether it still did what was asked, only the trail knows. */
export function UnansweredFaults() {
  useEffect(() => {
    const onFault = (event: PromiseRejectionEvent) => {
      const { reason } = event as { reason: unknown };
      if (!(reason instanceof Error && NO_ANSWER.test(reason.message))) return;
      event.preventDefault();
      notify(
        'Pebble Road does not answer: what was asked of it just now may not be done. Start the program again and look at the trail; all that was applied before is safe.',
        'fault',
      );
    };
    window.addEventListener('unhandledrejection', onFault);
    return () => window.removeEventListener('unhandledrejection', onFault);
  }, []);
  return null;
}
