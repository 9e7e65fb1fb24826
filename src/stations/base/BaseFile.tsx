'use client';

import { useState } from 'react';
import { describeProblem, reasonOf } from '@/core/problem';
import { keptOf } from '@/book/judge/measuredBase';
import { keepMeasuredBase } from '@/book/write/measuredBase';
import type { Found } from '@/live/useSpins';
import { told } from '@/parts/told';
import { Button } from '@/ui/Button';
import { notify } from '@/ui/notices';
import { startBase } from '@/workers/startBase';
import { FoundFigures } from './FoundFigures';

/** A measurement out of a capture file. */
export function BaseFile({ countsPerDegree }: { countsPerDegree: number | null }) {
  const [found, setFound] = useState<Found>(null);
  const [isBusy, setBusy] = useState(false);
  const open = async (file: File | undefined) => {
    if (!file) return;
    setBusy(true);
    const worker = startBase();
    try {
      const text = await file.text();
      setFound(await worker.ask((base) => base.read(text, countsPerDegree)));
    } catch (error) {
      notify(`${file.name} was not read: ${reasonOf(error)}`, 'fault');
    } finally {
      worker.end();
      setBusy(false);
    }
  };
  return (
    <details className="border-b border-line py-3">
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold">
        From a capture file
      </summary>
      <label className="grid gap-1 text-[15px]">
        With the phases flick and pendulum:grams@millimetres
        <input
          type="file"
          accept=".csv,text/csv"
          className="w-full text-sm file:mr-3 file:min-h-11 file:cursor-pointer file:rounded-lg file:border file:border-line file:bg-ground file:px-3 file:text-ink"
          onChange={(event) => void open(event.target.files?.[0])}
        />
      </label>
      <p role="status">{isBusy ? 'Reading and working it out…' : ''}</p>
      {found && !found.ok && (
        <p role="alert" className="border-l-4 border-rust pl-3 text-[15px]">
          {found.problems.map((one) => describeProblem(one)).join(' ')}
        </p>
      )}
      {found?.ok && (
        <>
          <FoundFigures found={found.value} />
          <Button
            className="mt-2"
            onClick={() =>
              void keepMeasuredBase(keptOf(found.value)).then((reply) => {
                if (told(reply, 'The base is measured')) setFound(null);
              })
            }
          >
            Keep it
          </Button>
        </>
      )}
    </details>
  );
}
