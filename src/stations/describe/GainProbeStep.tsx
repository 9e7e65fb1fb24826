'use client';

import { useState } from 'react';
import { FACTOR_WITHIN, type GainProbe } from '@/core/force/gainProbe';
import { percent } from '@/core/text/percent';
import type { BookView } from '@/book/model/bookView';
import { useWorkerAnswer } from '@/parts/useWorkerAnswer';
import { Button } from '@/ui/Button';
import { NumberField, SelectField } from '@/ui/fields';
import { NextStep } from '@/ui/StationPage';
import { moment } from '@/words/format';
import { startWorker } from '@/workers/startWorker';

const SAID: Record<GainProbe['verdict'], string> = {
  factor: `It is a factor of the force, within ${percent(FACTOR_WITHIN)}.`,
  other:
    'It is no plain factor: a gain that is computed here would be off. Leave it as “other”, and every figure of the force stays out.',
  unsure: 'These rides cannot tell it: ride more laps each, as evenly as you can.',
};

interface Chosen {
  rideId: string;
  value: number | null;
}

/** Two rides at two values of the gain: whether its numbers are factors of the force. */
export function GainProbeStep({
  view,
  label,
  onFactor,
}: {
  view: BookView;
  /** What the title calls its gain. */
  label: string;
  /** The numbers are factors: that is measured now. */
  onFactor(): void;
}) {
  const rides = view.rides.filter(({ hasForce, importedFrom }) => hasForce && importedFrom !== null);
  const [chosen, setChosen] = useState<Chosen[]>(() => [
    { rideId: rides.at(-2)?.id ?? '', value: null },
    { rideId: rides.at(-1)?.id ?? '', value: null },
  ]);
  const [found, setFound] = useState<GainProbe | null>(null);
  const [lack, setLack] = useState<string | null>(null);
  const { isBusy, fault, ask } = useWorkerAnswer(startWorker.road);
  if (rides.length < 2) return null;
  const change = (i: number, next: Partial<Chosen>) => {
    // What was found was of other rides, or other numbers.
    setFound(null);
    setLack(null);
    setChosen((now) => now.map((one, k) => (k === i ? { ...one, ...next } : one)));
  };
  const compare = () => {
    setFound(null);
    if (chosen.some(({ value }) => value === null))
      return setLack(`Type what ${label} stood at in each ride.`);
    if (chosen[0]!.rideId === chosen[1]!.rideId) return setLack('Choose two rides.');
    const [a, b] = chosen.map(({ rideId, value }) => ({
      url: `/api/rides/file?id=${encodeURIComponent(rideId)}`,
      value: value!,
    }));
    return ask('One of the rides', (worker) => worker.gain(a!, b!), setFound);
  };
  const options = rides.map(({ id, importedFrom, atMs }) => ({
    value: id,
    name: `${importedFrom}, ${moment(atMs)}`,
  }));
  return (
    <NextStep
      title={`What do the numbers of ${label} do?`}
      actions={
        <Button disabled={isBusy} onClick={() => void compare()}>
          Compare the two rides
        </Button>
      }
    >
      Two rides of one car on one road, at half of it and at all of it, with the force logged: whether the
      force grows as the number does.
      {chosen.map(({ rideId, value }, i) => (
        <div key={i} className="mt-2 grid gap-1">
          <SelectField
            label={i === 0 ? 'First ride' : 'Second ride'}
            isStacked
            value={rideId}
            options={options}
            onChange={(next) => change(i, { rideId: next })}
          />
          <NumberField
            label={`${label} in the ${i === 0 ? 'first' : 'second'}`}
            isStacked
            unit=""
            value={value}
            onChange={(next) => change(i, { value: next })}
          />
        </div>
      ))}
      {(lack ?? fault) && (
        <p role="alert" className="mt-2 border-l-4 border-rust pl-3 text-ink">
          {lack ?? fault}
        </p>
      )}
      {found && (
        <div role="status" className="mt-2 text-ink">
          <p>
            The force grew {found.ratio.toFixed(2)} times ({found.low.toFixed(2)} to {found.high.toFixed(2)}),
            the number {found.expected.toFixed(2)} times. {SAID[found.verdict]}
          </p>
          {found.verdict === 'factor' && (
            <Button className="mt-2" onClick={onFactor}>
              Note it as measured
            </Button>
          )}
        </div>
      )}
    </NextStep>
  );
}
