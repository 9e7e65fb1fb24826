'use client';

import isEqual from 'fast-deep-equal';
import { useEffect, useState } from 'react';

/** Renders again at a steady pace, with the result of a look at something that lives outside React. */
export function usePolled<T>(look: () => T, everyMs: number): T {
  const [seen, setSeen] = useState(look);
  useEffect(() => {
    const timer = setInterval(() => {
      setSeen((before) => {
        const now = look();
        return isEqual(before, now) ? before : now;
      });
    }, everyMs);
    return () => clearInterval(timer);
  }, [look, everyMs]);
  return seen;
}
