'use client';

import { useRouter } from 'next/navigation';
import { useEffect } from 'react';

const USUAL_MS = 700;

/** Asks the server again every moment while something is waited for that another window, or the server itself, does. */
export function usePollRefresh(isWaiting: boolean, everyMs = USUAL_MS): void {
  const router = useRouter();
  useEffect(() => {
    if (!isWaiting) return;
    const timer = setInterval(() => router.refresh(), everyMs);
    return () => clearInterval(timer);
  }, [isWaiting, everyMs, router]);
}
