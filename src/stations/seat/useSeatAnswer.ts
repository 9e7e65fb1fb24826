'use client';

import { useEffect, useRef } from 'react';
import { isPedalAxis, type AxisName } from '@/core/axes/axes';
import { holdTimer } from '@/devices/holdTimer';
import type { DeviceSource } from '@/devices/source';
import type { Answer } from '@/live/answerButtons';
import type { SeatAnswers } from './task';

const HELD = 0.6;
const HELD_MS = 1000;

/**
 * Hears yes and no from what the driver is holding: the taught buttons, a pedal held for a second (yes), and on the desk
 * also the keys that say so.
 * @param holds whether a held pedal counts: not while pedals are measured
 */
export function useSeatAnswer(
  source: DeviceSource | null,
  { meaning, released }: Pick<SeatAnswers, 'meaning' | 'released'>,
  onAnswer: (answer: Answer) => void,
  holds = true,
) {
  const latest = useRef(onAnswer);
  const ends = useRef(released);
  useEffect(() => {
    latest.current = onAnswer;
    ends.current = released;
  });
  useEffect(() => {
    if (!source) return;
    const hold = holdWatch(source, ends.current);
    return source.subscribe({
      button(index) {
        const answer = meaning(index);
        if (answer) latest.current(answer);
      },
      samples(batch) {
        if (!holds) return;
        for (const [name, column] of Object.entries(batch.axes) as [AxisName, Float64Array][])
          for (let i = 0; i < column.length; i++)
            if (hold(name, column[i]!, batch.t[i]!)) latest.current('yes');
      },
    });
  }, [source, meaning, holds]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const answer = ({ y: 'yes', Enter: 'yes', n: 'no' } as const)[event.key];
      const isControl = event.target instanceof HTMLElement && event.target.closest('a, button');
      if (answer && !isControl) latest.current(answer);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

/**
 * A pedal that goes over most of its range and stays there for a second says yes, once. Where its released end is known,
 * one that was already down says nothing before it was let go; elsewhere it counts from where it is first seen.
 */
function holdWatch(source: DeviceSource, released: SeatAnswers['released']) {
  const seen: Partial<
    Record<AxisName, { start: number; timer: ReturnType<typeof holdTimer>; isSpent: boolean }>
  > = {};
  return (axis: AxisName, raw: number, t: number): boolean => {
    const range = source.info.ranges[axis];
    if (!isPedalAxis(axis) || !range) return false;
    const state = (seen[axis] ??= { start: released[axis] ?? raw, timer: holdTimer(), isSpent: true });
    const away = Math.abs(raw - state.start) / (range.max - range.min);
    if (away < HELD) {
      state.timer.off();
      state.isSpent = false;
      return false;
    }
    if (state.timer.on(1000 * t) < HELD_MS || state.isSpent) return false;
    state.isSpent = true;
    return true;
  };
}
