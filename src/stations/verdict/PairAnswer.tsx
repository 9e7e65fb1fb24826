import { useState } from 'react';
import type { Sure } from '@/core/experiment/bettingScore';
import type { Way } from '@/core/experiment/planParts';
import type { Said } from '@/core/experiment/trial';
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
  ask,
  name,
  way,
  onSay,
}: {
  ask: 'which' | 'better' | 'more';
  /** Of the setting, in a sentence. */
  name: string;
  way: Way;
  onSay(said: Said): Promise<void>;
}) {
  const [sure, setSure] = useState<Sure>('think');
  const [isBusy, setBusy] = useState(false);
  // Where guesses begin is what is asked: nobody is let off one.
  const isJnd = ask === 'more';
  const say = async (answer: 'first' | 'second' | 'none', noticed = false) => {
    setBusy(true);
    await onSay({ kind: 'pair', answer, sure: answer === 'none' || isJnd ? null : sure, noticed });
    setBusy(false);
  };
  return (
    <NextStep
      number={1}
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
