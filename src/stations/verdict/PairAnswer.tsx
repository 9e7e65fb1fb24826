import { useState } from 'react';
import type { Sure } from '@/core/experiment/bettingScore';
import type { Said } from '@/core/experiment/trial';
import type { AnswerStep } from '@/book/judge/turn';
import type { ExperimentView } from '@/book/model/experimentView';
import { Choice } from '@/parts/Choice';
import { Button } from '@/ui/Button';
import { NextStep } from '@/ui/StationPage';

const SURE: { value: Sure; name: string }[] = [
  { value: 'guess', name: 'A guess' },
  { value: 'think', name: 'I think so' },
  { value: 'sure', name: 'Sure' },
];

/** Of the two rides just driven: which was B, was better, or had more of the setting; how sure, before anything is told. */
export function PairAnswer({
  open: {
    asked: { way },
  },
  step: { ask },
  name,
  isBusy,
  onSay,
}: {
  open: ExperimentView;
  step: AnswerStep;
  /** Of the setting, in a sentence. */
  name: string;
  isBusy: boolean;
  onSay(said: Said): Promise<unknown>;
}) {
  const [sure, setSure] = useState<Sure>('think');
  // Where guesses begin is what is asked: nobody is let off one.
  const isJnd = ask === 'more';
  const say = (answer: 'first' | 'second' | 'none', noticed = false) =>
    onSay({ kind: 'pair', answer, sure: answer === 'none' || isJnd ? null : sure, noticed });
  return (
    <NextStep
      title={isJnd ? `Which had more ${name}?` : ask === 'which' ? 'Which was B?' : 'Which was better?'}
      actions={
        <>
          <Button look="next" disabled={isBusy} onClick={() => void say('first')}>
            The first
          </Button>
          <Button look="next" disabled={isBusy} onClick={() => void say('second')}>
            The second
          </Button>
          {!isJnd && (
            <Button disabled={isBusy} onClick={() => void say('none')}>
              Can’t say
            </Button>
          )}
          <Button disabled={isBusy} onClick={() => void say('none', true)}>
            I noticed otherwise
          </Button>
        </>
      }
    >
      {isJnd ? (
        'Guess where you can’t say.'
      ) : (
        <>
          {way === 'helper' && 'Say it before you talk to your helper. '}How sure are you?
          <span className="mt-2 flex flex-wrap gap-2" role="group" aria-label="How sure">
            {SURE.map((one) => (
              <Choice key={one.value} isOn={sure === one.value} onClick={() => setSure(one.value)}>
                {one.name}
              </Choice>
            ))}
          </span>
        </>
      )}
    </NextStep>
  );
}
