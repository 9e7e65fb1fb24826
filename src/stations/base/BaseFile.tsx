'use client';

import { useState } from 'react';
import { describeProblem, reasonOf } from '@/core/problem';
import { keptOf } from '@/book/judge/measuredBase';
import { keepMeasuredBase } from '@/book/write/measuredBase';
import type { Found } from '@/live/useSpins';
import { notifyReply } from '@/parts/notifyReply';
import { Button } from '@/ui/Button';
import { FileInput } from '@/ui/FileInput';
import { notify } from '@/ui/notices';
import { startWorker } from '@/workers/startWorker';
import { FoundFigures } from './FoundFigures';

const LARGEST_MB = 256;

/** A measurement out of a capture file. */
export function BaseFile({ countsPerDegree }: { countsPerDegree: number | null }) {
  const [found, setFound] = useState<Found>(null);
  const [isBusy, setBusy] = useState(false);
  const open = async (file: File) => {
    setBusy(true);
    const worker = startWorker.base();
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
      <FileInput
        label="With the phases flick and pendulum:grams@millimetres"
        accept=".csv,text/csv"
        mostMb={LARGEST_MB}
        onFile={(file) => void open(file)}
      />
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
                if (notifyReply(reply, 'The base is measured')) setFound(null);
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
