'use client';

import { useState } from 'react';
import type { BitePoint } from '@/core/launch/bitePoint';
import { FileInput } from '@/ui/FileInput';
import { NextStep } from '@/ui/StationPage';
import { useWorkerAnswer } from '@/parts/useWorkerAnswer';
import { startWorker } from '@/workers/startWorker';

const LARGEST_MB = 256;

/** The own clutch's bite point out of a log of slow releases, of any title. */
export function BiteStep() {
  const [found, setFound] = useState<BitePoint | null>(null);
  const { isBusy, fault, ask } = useWorkerAnswer(startWorker.launch);
  const read = (file: File) => {
    setFound(null);
    void file.text().then((text) => ask(file.name, (worker) => worker.bite(text), setFound));
  };
  const percent = (travel: number) => (100 * travel).toFixed(1);
  return (
    <NextStep title="Your own bite point">
      Six slow starts from standstill, the clutch let in over 3 to 10 seconds each, in any title: drop the log
      with the clutch and the speed here.
      <div className="mt-2">
        <FileInput
          label="A ride log with slow releases"
          accept=".csv,text/csv"
          mostMb={LARGEST_MB}
          isDisabled={isBusy}
          onFile={read}
        />
      </div>
      {fault && (
        <p role="alert" className="mt-2 text-rust">
          {fault}
        </p>
      )}
      {found && (
        <div role="status" className="mt-2 text-ink">
          <p>
            It begins to drag at <strong>{percent(found.bite)} %</strong> of the travel ({percent(found.low)}{' '}
            to {percent(found.high)} %, from {found.releases} releases). That is not the hold: a launch is
            held further up.
          </p>
          {found.warnings.map((one) => (
            <p key={one} className="mt-1 text-muted">
              {one}
            </p>
          ))}
        </div>
      )}
    </NextStep>
  );
}
