'use client';

import { useEffect, useRef } from 'react';
import type { DeviceSource } from '@/devices/source';
import type { Answer, TaughtButtons } from './answerButtons';

/** Hears what the rim's buttons say while something is driven; a held pedal says nothing there. */
export function useRimAnswers(
  source: DeviceSource,
  meaning: TaughtButtons['meaning'],
  onSaid: (said: Answer) => void,
) {
  const latest = useRef({ meaning, onSaid });
  useEffect(() => {
    latest.current = { meaning, onSaid };
  });
  useEffect(
    () =>
      source.subscribe({
        button(index) {
          const said = latest.current.meaning(index);
          if (said) latest.current.onSaid(said);
        },
      }),
    [source],
  );
}
