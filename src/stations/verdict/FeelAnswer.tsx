import { useState } from 'react';
import type { Wish } from '@/core/experiment/finder/answers';
import type { Said } from '@/core/experiment/trial';
import { Choice } from '@/parts/Choice';
import { Button } from '@/ui/Button';
import { NextStep } from '@/ui/StationPage';

const WISHES: { value: Wish; name: string }[] = [
  { value: 'more', name: 'More' },
  { value: 'right', name: 'It is right' },
  { value: 'less', name: 'Less' },
];

/** After a ride: better than the one before, and more or less of it? Both are told at once. */
export function FeelAnswer({
  names,
  isFirst,
  isBusy,
  onSay,
}: {
  names: { key: string; name: string }[];
  isFirst: boolean;
  isBusy: boolean;
  onSay(said: Said): Promise<unknown>;
}) {
  const [better, setBetter] = useState<'this' | 'before' | null>(null);
  const [wants, setWants] = useState<Record<string, Wish | null>>({});
  const isWhole = (isFirst || better !== null) && names.every(({ key }) => wants[key]);
  const say = () => onSay({ kind: 'feel', better, wants });
  return (
    <NextStep
      title="How was it?"
      actions={
        <Button look="next" disabled={isBusy || !isWhole} onClick={() => void say()}>
          Say so
        </Button>
      }
    >
      {!isFirst && (
        <Asked label="Better than the ride before?">
          <Choice isOn={better === 'this'} onClick={() => setBetter('this')}>
            Better
          </Choice>
          <Choice isOn={better === 'before'} onClick={() => setBetter('before')}>
            The one before was better
          </Choice>
        </Asked>
      )}
      {names.map(({ key, name }) => (
        <Asked key={key} label={`${name}: would you have more, or less?`}>
          {WISHES.map(({ value, name: wish }) => (
            <Choice
              key={value}
              isOn={wants[key] === value}
              onClick={() => setWants({ ...wants, [key]: value })}
            >
              {wish}
            </Choice>
          ))}
        </Asked>
      ))}
    </NextStep>
  );
}

function Asked({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <span role="group" aria-label={label} className="mt-2 block">
      {label}
      <span className="mt-1 flex flex-wrap gap-2">{children}</span>
    </span>
  );
}
