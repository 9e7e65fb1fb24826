'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef, useTransition } from 'react';
import type { Combination } from '@/core/settings/scope';
import { combinationOf, HERE_COOKIE, HERE_MAX_AGE_S, hereText } from '@/book/model/here';

/**
 * Keeps this tab at its own combination. Tabs of a browser share the cookie that says which one is meant; so each says so
 * itself before anything is asked for from it: when it is come back to, and on every key and press in it.
 */
export function useOwnCombination(shown: Combination): void {
  const router = useRouter();
  const own = useRef<string | null>(null);
  const asked = useRef<'no' | 'asked' | 'under way'>('no');
  const [isAsking, startAsking] = useTransition();
  const text = hereText(shown);
  useEffect(() => {
    if (own.current !== null) return;
    // After a reload the page shows what the cookie says, and that may be another tab's.
    const before = sessionStorage.getItem(HERE_COOKIE) ?? undefined;
    const isOthers = combinationOf(before) !== null && before !== text;
    own.current = isOthers ? before! : text;
    say(own.current);
    if (!isOthers) return;
    asked.current = 'asked';
    startAsking(() => router.refresh());
  }, [router, text]);
  useEffect(() => {
    if (isAsking) asked.current = 'under way';
    if (isAsking || asked.current === 'asked') return;
    // What is shown now is ours: opened from here, or all that the book knows where it does not know ours any more.
    asked.current = 'no';
    own.current = text;
    sessionStorage.setItem(HERE_COOKIE, text);
    say(text);
  }, [isAsking, text]);
  useEffect(() => {
    const sayOwn = () => {
      if (own.current !== null && document.visibilityState === 'visible') say(own.current);
    };
    const at = ['focus', 'pointerdown', 'keydown', 'visibilitychange'] as const;
    for (const kind of at) window.addEventListener(kind, sayOwn, { capture: true });
    return () => {
      for (const kind of at) window.removeEventListener(kind, sayOwn, { capture: true });
    };
  }, []);
}

function say(own: string): void {
  document.cookie = `${HERE_COOKIE}=${encodeURIComponent(own)}; path=/; max-age=${HERE_MAX_AGE_S}; samesite=strict`;
}
