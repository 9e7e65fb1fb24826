'use client';

import { useState } from 'react';
import { helperLoaded } from '@/book/write/blindLoading';
import type { HelperView } from '@/book/model/experimentView';
import { notifyReply } from '@/parts/notifyReply';
import { usePollRefresh } from '@/parts/usePollRefresh';
import { Button } from '@/ui/Button';
import { Notices } from '@/ui/notices';
import { useIsListening } from '@/ui/useIsListening';

/** The helper's window: what to load, and nothing else that could be done. */
export function HelperScreen({ helper }: { helper: HelperView | null }) {
  const [isBusy, setBusy] = useState(false);
  const isListening = useIsListening();
  // Also while something is to be loaded: another window may have said that it is.
  usePollRefresh(helper !== null);
  const say = async (place: number, what: 'neutral' | 'ride') => {
    setBusy(true);
    notifyReply(await helperLoaded({ id: helper!.id, place, what }));
    setBusy(false);
  };
  const step = helper?.step ?? null;
  const said = nothingToLoad(helper);
  return (
    <main className="mx-auto flex min-h-dvh max-w-2xl flex-col justify-center gap-6 p-8">
      <p className="text-muted">Helper’s window: keep it out of the driver’s sight, and say nothing of it.</p>
      {said !== null || step === null ? (
        <h1 className="text-3xl font-bold">{said}</h1>
      ) : (
        <>
          <h1 className="text-3xl font-bold">
            Ride {step.place + 1}: load {step.said === null ? 'the neutral values' : 'these'}
          </h1>
          <dl className="grid gap-3">
            {step.values.map(({ name, neutral, value }) => (
              <div key={name} className="flex items-baseline justify-between gap-6 border-b border-line pb-2">
                <dt className="text-xl">{name}</dt>
                <dd className="font-mono text-4xl font-bold">{step.said === null ? neutral : value}</dd>
              </div>
            ))}
          </dl>
          <p className="text-muted">
            {step.said === null
              ? 'Neutral first, every time, also where nothing changes: so that nobody hears what is loaded.'
              : 'Take as long over it as always.'}
          </p>
          {step.cautions.length > 0 && (
            <ul className="text-rust">
              <li>The driver’s hands are off the rim until it is loaded.</li>
              {step.cautions.map((text) => (
                <li key={text}>{text}</li>
              ))}
            </ul>
          )}
          <Button
            look="next"
            className="min-h-16 text-xl"
            disabled={isBusy || !isListening}
            onClick={() => void say(step.place, step.said === null ? 'neutral' : 'ride')}
          >
            Loaded
          </Button>
        </>
      )}
      <Notices />
    </main>
  );
}

/** Why nothing is to be loaded just now; `null` where something is. */
function nothingToLoad(helper: HelperView | null): string | null {
  if (!helper) return 'Nothing is to be loaded: the test is over, or there is none';
  if (!helper.step) return 'The driver answers. Wait';
  return helper.step.said === 'ride' ? `Ride ${helper.step.place + 1} is loaded. The driver drives` : null;
}
