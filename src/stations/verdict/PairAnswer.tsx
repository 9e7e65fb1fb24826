import { useState } from 'react';
import type { Sure } from '@/core/experiment/bettingScore';
import type { Said, Way } from '@/core/experiment/plan';
import { Choice } from '@/parts/Choice';
import { Button } from '@/ui/Button';
import { NextStep } from '@/ui/StationPage';

const SURE: { value: Sure; name: string }[] = [
  { value: 'guess', name: 'A guess' },
  { value: 'think', name: 'I think so' },
  { value: 'sure', name: 'Sure' },
];

/** Of the two rides just driven: which was B, or which was better; how sure, before anything is told. */
export function PairAnswer({
  ask,
  way,
  onSay,
}: {
  ask: 'which' | 'better';
  way: Way;
  onSay(said: Said): Promise<void>;
}) {
  const [sure, setSure] = useState<Sure>('think');
  const [isBusy, setBusy] = useState(false);
  const say = async (answer: 'first' | 'second' | 'none', noticed = false) => {
    setBusy(true);
    await onSay({ kind: 'pair', answer, sure: answer === 'none' ? null : sure, noticed });
    setBusy(false);
  };
  return (
    <NextStep
      number={1}
      title={ask === 'which' ? 'Which was B?' : 'Which was better?'}
      actions={
        <>
          <Button look="next" disabled={isBusy} onClick={() => void say('first')}>
            The first
          </Button>
          <Button look="next" disabled={isBusy} onClick={() => void say('second')}>
            The second
          </Button>
          <Button disabled={isBusy} onClick={() => void say('none')}>
            Can’t say
          </Button>
          <Button disabled={isBusy} onClick={() => void say('none', true)}>
            I noticed otherwise
          </Button>
        </>
      }
    >
      {way === 'helper' && 'Say it before you talk to your helper. '}How sure are you?
      <span className="mt-2 flex flex-wrap gap-2" role="group" aria-label="How sure">
        {SURE.map(({ value, name }) => (
          <Choice key={value} isOn={sure === value} onClick={() => setSure(value)}>
            {name}
          </Choice>
        ))}
      </span>
    </NextStep>
  );
}
