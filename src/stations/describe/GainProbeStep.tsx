'use client';

import { useEffect, useRef, useState } from 'react';
import type { GainProbe } from '@/core/force/gainProbe';
import { describeProblem, reasonOf } from '@/core/problem';
import type { BookView } from '@/book/model/bookView';
import { Button } from '@/ui/Button';
import { NumberField, SelectField } from '@/ui/fields';
import { NextStep } from '@/ui/StationPage';
import { moment } from '@/words/format';
import type { StartedWorker } from '@/workers/startedWorker';
import type { RoadWorker } from '@/workers/road.worker';
import { startRoad } from '@/workers/startRoad';

interface Chosen {
  rideId: string;
  value: number | null;
}

/** Two rides at two values of the gain: whether its numbers are factors of the force. */
export function GainProbeStep({
  number,
  view,
  label,
  onFactor,
}: {
  number: number;
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
  const [fault, setFault] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  const worker = useRef<StartedWorker<RoadWorker> | null>(null);
  useEffect(() => () => worker.current?.end(), []);
  if (rides.length < 2) return null;
  const change = (i: number, next: Partial<Chosen>) =>
    setChosen((now) => now.map((one, k) => (k === i ? { ...one, ...next } : one)));
  const compare = async () => {
    worker.current?.end();
    const mine = (worker.current = startRoad());
    setBusy(true);
    setFault(null);
    setFound(null);
    try {
      const [a, b] = chosen.map(({ rideId, value }) => ({
        url: `/api/rides/file?id=${encodeURIComponent(rideId)}`,
        value: value!,
      }));
      const out = await mine.ask((remote) => remote.gain(a!, b!));
      if (out.ok) setFound(out.value);
      else setFault(out.problems.map(describeProblem).join(' '));
    } catch (error) {
      setFault(`The rides were not read: ${reasonOf(error)}`);
    } finally {
      setBusy(false);
      mine.end();
    }
  };
  const options = rides.map(({ id, importedFrom, atMs }) => ({
    value: id,
    name: `${importedFrom}, ${moment(atMs)}`,
  }));
  const isReady = chosen.every(({ rideId, value }) => rideId !== '' && value !== null);
  return (
    <NextStep
      number={number}
      title={`What do the numbers of ${label} do?`}
      actions={
        <Button disabled={!isReady || isBusy} onClick={() => void compare()}>
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
      {fault && (
        <p role="alert" className="mt-2 border-l-4 border-rust pl-3 text-ink">
          {fault}
        </p>
      )}
      {found && (
        <div role="status" className="mt-2 text-ink">
          <p>
            The force grew {found.ratio.toFixed(2)} times ({found.low.toFixed(2)} to {found.high.toFixed(2)}),
            the number {found.expected.toFixed(2)} times.{' '}
            {found.isFactor
              ? 'It is a factor of the force.'
              : 'It is no plain factor: a gain that is computed here would be off. Leave it as “other”, and every figure of the force stays out.'}
          </p>
          {found.isFactor && (
            <Button className="mt-2" onClick={onFactor}>
              Note it as measured
            </Button>
          )}
        </div>
      )}
    </NextStep>
  );
}
