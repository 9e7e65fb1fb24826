'use client';

import { useEffect } from 'react';
import { useLiveRig } from '@/live/liveRig';
import { SeatScreen } from './SeatScreen';
import type { TaskProps } from './task';
import { useSeatAnswer } from './useSeatAnswer';

const PROMPTS = {
  yes: {
    title: 'Press the button that shall mean yes',
    how: 'A paddle is best. No button at hand? Hold any pedal or analogue paddle for a second.',
  },
  no: {
    title: 'Now the one that shall mean no',
    how: 'The other paddle. None? Hold any pedal or analogue paddle for a second.',
  },
} as const;

/** A button that is being taught answers nothing yet. */
const noButton = () => null;

/** Teaches the two buttons; a held pedal leaves them untaught, and goes on meaning yes. */
export function TeachTask({ taught, place, onDone }: TaskProps) {
  const source = useLiveRig((live) => live.source);
  const { buttons, learning, learn } = taught;
  const asks = buttons.yes === null ? 'yes' : 'no';
  const isTaught = buttons.yes !== null && buttons.no !== null;
  useEffect(() => {
    if (isTaught) onDone();
    else if (learning === null) learn(asks);
  }, [asks, isTaught, learning, learn, onDone]);
  useSeatAnswer(source, { meaning: noButton, released: taught.released }, () => {
    learn(null);
    onDone();
  });
  return (
    <SeatScreen
      {...PROMPTS[asks]}
      done={place.done}
      of={place.of}
      remark={asks === 'no' ? 'That one says yes.' : ''}
    />
  );
}
