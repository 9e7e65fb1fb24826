'use client';

import isEqual from 'fast-deep-equal';
import { useEffect, useState } from 'react';
import { isTie, watchForMovement, type Mover } from '@/devices/axisMovement';

export interface Movers {
  /** What moved most; `null` while nothing moved enough. */
  first: Mover | null;
  /** Others that moved about as far: then the driver is asked which it is. */
  ties: Mover[];
}

const NOBODY: Movers = { first: null, ties: [] };

/** What somebody moves, of any device that the browser shows. */
export function useMover(isOn: boolean, taken: readonly Pick<Mover, 'device' | 'place'>[] = []): Movers {
  const [movers, setMovers] = useState<Movers>(NOBODY);
  const known = JSON.stringify(taken);
  useEffect(() => {
    if (!isOn) return;
    const watch = watchForMovement(JSON.parse(known) as Mover[]);
    let frame = requestAnimationFrame(function look() {
      const moved = watch.look();
      const [first] = moved;
      const now: Movers = first
        ? { first: rounded(first), ties: isTie(moved) ? moved.slice(0, 4).map(rounded) : [] }
        : NOBODY;
      setMovers((before) => (isEqual(before, now) ? before : now));
      frame = requestAnimationFrame(look);
    });
    return () => {
      cancelAnimationFrame(frame);
      setMovers(NOBODY);
    };
  }, [isOn, known]);
  return movers;
}

/** To the nearest tenth, so that the picture does not change with every sample. */
const rounded = (mover: Mover): Mover => ({
  ...mover,
  moved: Math.min(1, Math.round(10 * mover.moved) / 10),
});
