'use client';

import { Button } from '@/ui/Button';
import type { Answer, TaughtButtons } from '@/live/answerButtons';

const WORDS: Record<Answer, string> = { yes: 'yes', no: 'no' };

/** Which buttons of the device mean yes and no, and how to teach them. */
export function TeachButtons({ taught }: { taught: TaughtButtons }) {
  const { buttons, learning, learn } = taught;
  const now =
    buttons.yes === null
      ? 'Any button of the device means yes.'
      : `Button ${buttons.yes + 1} means yes${buttons.no === null ? '' : `, button ${buttons.no + 1} no`}.`;
  return (
    <div className="flex flex-wrap items-center justify-between gap-2 border-b border-line py-3 text-[15px]">
      <p aria-live="polite">{learning ? `Press the button that shall mean ${WORDS[learning]}.` : now}</p>
      <span className="flex gap-2">
        {(['yes', 'no'] as const).map((answer) => (
          <Button key={answer} onClick={() => learn(answer)} disabled={learning !== null}>
            Teach {answer}
          </Button>
        ))}
      </span>
    </div>
  );
}
