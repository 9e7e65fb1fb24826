'use client';

import { useState } from 'react';
import { Button } from '@/ui/Button';
import { NumberSlider } from '@/ui/NumberSlider';
import type { BookView } from '@/book/model/bookView';
import { forceFactsOf } from '@/book/judge/force';
import { useAnswer } from './useAnswer';
import type { ForceState } from './useForce';
import { useListening } from './useListening';

/** The rim as sound: silent until asked, bounded; what is kept and what is tried in turn over the same road. */
export function ListenPanel({
  view,
  isTried,
  force,
}: {
  view: BookView;
  isTried: boolean;
  force: ForceState;
}) {
  const { answer, isBusy, fault } = useAnswer(force, isTried ? 'pair' : 'one', (worker) =>
    worker.sound(forceFactsOf(view), isTried ? force.facts : null),
  );
  const [volume, setVolume] = useState(30);
  const listening = useListening(answer, volume / 100);
  if (fault)
    return (
      <p role="alert" className="text-rust">
        It could not be made audible: {fault}.
      </p>
    );
  const now =
    listening.atS === null || !answer
      ? null
      : answer.isPair && Math.floor(listening.atS / answer.pieceS) % 2 === 1
        ? 'B'
        : 'A';
  return (
    <section aria-labelledby="listen" className="max-w-2xl">
      <h2 id="listen" className="font-bold">
        The last lap at the rim, as a sound
      </h2>
      <p className="mt-1 text-muted">
        Low is weight, heard as a hum; the middle is what body and tyres do; high is texture, kerbs and the
        edge of clipping.{' '}
        {isTried
          ? `A is what is kept, B what is tried: ${answer?.pieceS ?? 4} seconds each over the same road, equally loud.`
          : 'Move a slider, and what is kept and what is tried are heard in turn.'}
      </p>
      <div className="mt-4 flex flex-wrap items-center gap-4">
        <Button
          look="next"
          disabled={!answer || isBusy}
          onClick={() => (listening.atS === null ? listening.start() : listening.stop())}
        >
          {listening.atS === null ? 'Play' : 'Stop'}
        </Button>
        <p role="status" className="min-w-40">
          {now === null || listening.atS === null ? (
            <span className="text-muted">{isBusy ? 'Working it out…' : 'silent'}</span>
          ) : (
            <>
              <span className={`text-2xl font-bold ${now === 'A' ? 'text-side-a' : 'text-side-b'}`}>
                {now}
              </span>{' '}
              <span className="text-muted">{now === 'A' ? 'as kept' : 'as tried'}</span>
            </>
          )}
        </p>
      </div>
      <NumberSlider
        label="Volume"
        unit="%"
        min={0}
        max={100}
        step={5}
        neutral={30}
        value={volume}
        ghost={30}
        onChange={setVolume}
      />
    </section>
  );
}
