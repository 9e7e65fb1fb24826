'use client';

import { Button } from '@/ui/Button';
import { capital } from '@/words/format';
import type { Answer, TaughtButtons } from '@/live/answerButtons';

/** What a rim's buttons are called where they are found without looking. */
const NAMES = [
  'right paddle',
  'left paddle',
  'upper right paddle',
  'upper left paddle',
  'right thumb button',
  'left thumb button',
];

const WORDS: Record<Answer, string> = { yes: 'yes', no: 'no' };

/** Which buttons of the device mean yes and no, and how to teach them. */
export function TeachButtons({ taught, canName }: { taught: TaughtButtons; canName: boolean }) {
  const { buttons, learning, learn, nameOf, call } = taught;
  const now =
    buttons.yes === null
      ? 'Any button of the device means yes.'
      : `${capital(nameOf(buttons.yes))} means yes${buttons.no === null ? '' : `, ${nameOf(buttons.no)} no`}.`;
  return (
    <div className="flex flex-wrap items-center justify-between gap-2 border-b border-line py-3 text-[15px]">
      <p aria-live="polite">{learning ? `Press the button that shall mean ${WORDS[learning]}.` : now}</p>
      <span className="flex flex-wrap items-center gap-2">
        {canName &&
          (['yes', 'no'] as const).map((answer) => {
            const index = buttons[answer];
            return (
              index !== null && (
                <label key={answer} className="flex items-center gap-2">
                  <span>Called</span>
                  <select
                    aria-label={`What means ${answer} is called`}
                    className="h-11 rounded-lg border border-line bg-raised px-2"
                    value={NAMES.includes(nameOf(index)) ? nameOf(index) : ''}
                    onChange={(event) => call(index, event.target.value)}
                  >
                    <option value="">button {index + 1}</option>
                    {NAMES.map((name) => (
                      <option key={name}>{name}</option>
                    ))}
                  </select>
                </label>
              )
            );
          })}
        {(['yes', 'no'] as const).map((answer) => (
          <Button key={answer} onClick={() => learn(answer)} disabled={learning !== null}>
            Teach {answer}
          </Button>
        ))}
      </span>
    </div>
  );
}
