'use client';

import Link from 'next/link';
import { rulesOf, settingsOf } from '@/core/experiment/questions';
import type { TrialOutcome } from '@/core/experiment/trial';
import { cautionsFor } from '@/book/judge/cautionsFor';
import { settingWords } from '@/book/judge/experimentWords';
import type { RideStep } from '@/book/judge/turn';
import { withSettings } from '@/book/judge/withSettings';
import type { BookView } from '@/book/model/bookView';
import type { ExperimentView } from '@/book/model/experimentView';
import { takeLogs } from '@/book/write/experiments';
import { saveSlot } from '@/parts/saveSlot';
import { notifyReply } from '@/parts/notifyReply';
import { useSimulatedRide } from '@/parts/useSimulatedRide';
import { useTurn } from '@/parts/useTurn';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/LinkButton';
import { ProgressBar } from '@/ui/ProgressBar';
import { NextStep } from '@/ui/StationPage';
import { rideHow } from '@/words/verdict';

/** A ride here: what is driven on our own roads is loaded, booked and asked from the seat. */
export function Here({ view, open }: { view: BookView; open: ExperimentView }) {
  const isElsewhere = open.trackId !== view.trackId;
  return (
    <NextStep
      title="Drive it here"
      actions={
        !isElsewhere && (
          <LinkButton look="next" href="/drive?do=verdict">
            Drive
          </LinkButton>
        )
      }
    >
      {isElsewhere
        ? 'Another road is open now: choose the one of this question under Ride first.'
        : open.commitment
          ? 'Full screen: this program loads each ride by itself, and nothing tells which. You answer by your paddles.'
          : 'Full screen: this program loads each ride by itself.'}
    </NextStep>
  );
}

/** A simulated ride: the driver rides with the values of the step, and the ride is booked. */
export function Simulated({
  view,
  open,
  step,
  values,
}: {
  view: BookView;
  open: ExperimentView;
  step: RideStep;
  values: NonNullable<RideStep['values']>;
}) {
  const { book } = useTurn(open);
  const { progress, start, cancel } = useSimulatedRide(withSettings(view, values), (rideId) =>
    book('ridden', rideId),
  );
  const isElsewhere = open.trackId !== view.trackId;
  return (
    <NextStep
      title={step.side === null ? 'Ride it' : `Ride ${step.side}`}
      actions={
        progress ? (
          <Button onClick={cancel}>Cancel</Button>
        ) : (
          <Button look="next" disabled={isElsewhere} onClick={() => start(open.asked.lapsPerRide)}>
            Ride {open.asked.lapsPerRide} {open.asked.lapsPerRide === 1 ? 'lap' : 'laps'}
          </Button>
        )
      }
    >
      {isElsewhere
        ? 'Another road is open now: choose the one of this question under Ride first.'
        : 'The simulated driver, an out-lap first.'}
      {progress && (
        <span className="mt-2 block">
          <ProgressBar share={progress.share} label="Simulating the ride">
            {progress.lap === 0 ? 'Out-lap' : `Lap ${progress.lap}`}
          </ProgressBar>
        </span>
      )}
    </NextStep>
  );
}

const WENT_WRONG: { outcome: TrialOutcome; label: string }[] = [
  { outcome: 'crash', label: 'Crashed or was held up' },
  { outcome: 'wrong load', label: 'Wrong values loaded' },
  { outcome: 'break', label: 'Broke off' },
];

/** A ride in the title: what to load, and how it went. */
export function Driven({ view, open, step }: { view: BookView; open: ExperimentView; step: RideStep }) {
  const { isBusy, book } = useTurn(open);
  const words = settingWords(view);
  const { asked } = open;
  const isBlind = step.values === null;
  const isAlone = asked.way === 'files';
  const loading = isAlone ? 'Save and load its file' : 'Wait for your helper';
  const blind = step.isLoaded ? 'Drive' : loading;
  const isCheck = open.answer?.kind === 'best' && open.answer.found.isCheck;
  return (
    <NextStep
      title={isBlind ? blind : `Load ${words.side(step.values!)}`}
      actions={
        <>
          {isAlone && (
            <Button
              look={step.isLoaded ? 'plain' : 'next'}
              onClick={() => void saveSlot(open.id, step.place)}
            >
              Save the file of ride {step.place + 1}
            </Button>
          )}
          <Button look="next" disabled={isBusy || !step.isLoaded} onClick={() => void book('ridden')}>
            Driven
          </Button>
          {WENT_WRONG.map(({ outcome, label }) => (
            <Button key={outcome} disabled={isBusy} onClick={() => void book(outcome)}>
              {label}
            </Button>
          ))}
        </>
      }
    >
      {isAlone ? (
        'Load it in the title over everything else, and don’t look inside.'
      ) : isBlind ? (
        <>
          {step.isLoaded
            ? 'It is loaded. Don’t look at the settings.'
            : 'They load the neutral values first, then the ride’s, every time. Look away.'}{' '}
          <Link className="underline underline-offset-4" href={`/helper/${open.id}`} target="_blank">
            The helper’s window
          </Link>
        </>
      ) : (
        rideHow({ isCheck })
      )}{' '}
      Then {asked.lapsPerRide === 1 ? 'one lap' : `${asked.lapsPerRide} laps`}; what went wrong is driven
      again.
      {cautionsFor(view, settingsOf(asked)).map((text) => (
        <span key={text} className="mt-2 block text-rust">
          {text}
        </span>
      ))}
      {rulesOf(open.question).isCompared && open.ridden > 0 && (
        <span className="mt-3 flex flex-wrap gap-2">
          <LinkButton href="/ride">Take logs in</LinkButton>
          <Button
            onClick={() =>
              void takeLogs(open.id).then((reply) => notifyReply(reply, 'Logs matched by their time'))
            }
          >
            Match the logs
          </Button>
        </span>
      )}
    </NextStep>
  );
}
