'use client';

import { useEffect, useRef, useState } from 'react';
import type { LiveFrame } from '@/core/driving/liveDrive';
import { QUALITIES, type Quality } from './picture';

/** What the page says of its own picture. */
export interface Steadiness {
  framesPerS: number;
  /** From a reading of the device to the picture of it, frames; `null` where nothing was read lately. */
  delayFrames: number | null;
  /** How many steps the picture was reduced by. */
  reduced: number;
}

const SAID_EVERY_MS = 500;
/** A picture that comes slower than this twice in a row is reduced, frames a second. */
const TOO_SLOW = 45;
const FRAME_MS = 1000 / 60;

/** Watches how steadily it is drawn, and takes from the picture what the machine cannot spare. */
export function useSteadyFrames() {
  const [said, setSaid] = useState<Steadiness>({ framesPerS: 60, delayFrames: null, reduced: 0 });
  const watch = useRef({
    frames: 0,
    from: 0,
    slow: 0,
    reduced: 0,
    delays: 0,
    delayed: 0,
    inputAt: 0,
  });
  useEffect(() => {
    const timer = setInterval(() => {
      const w = watch.current;
      const now = performance.now();
      const framesPerS = (1000 * w.frames) / Math.max(1, now - w.from);
      const isMeasured = w.from > 0 && w.frames > 2;
      w.slow = isMeasured && framesPerS < TOO_SLOW ? w.slow + 1 : 0;
      if (w.slow >= 2 && w.reduced < QUALITIES.length - 1) [w.reduced, w.slow] = [w.reduced + 1, 0];
      const delayFrames = w.delays > 0 ? w.delayed / w.delays / FRAME_MS : null;
      Object.assign(w, { frames: 0, from: now, delays: 0, delayed: 0 });
      if (isMeasured)
        setSaid((before) => {
          const next = {
            framesPerS: Math.round(framesPerS),
            delayFrames: delayFrames === null ? null : Math.round(10 * delayFrames) / 10,
            reduced: w.reduced,
          };
          return JSON.stringify(next) === JSON.stringify(before) ? before : next;
        });
    }, SAID_EVERY_MS);
    return () => clearInterval(timer);
  }, []);
  return {
    said,
    /** Called once a frame that is drawn; how it is drawn. */
    drawn(frame: LiveFrame): Quality {
      const w = watch.current;
      w.frames++;
      if (frame.inputAt > 0 && frame.inputAt !== w.inputAt) {
        w.inputAt = frame.inputAt;
        w.delays++;
        w.delayed += performance.now() - frame.inputAt;
      }
      return QUALITIES[w.reduced]!;
    },
  };
}
