'use client';

import Link from 'next/link';
import { useState } from 'react';
import type { Said, TrialOutcome } from '@/core/experiment/plan';
import { isPairPlan, settingsOf } from '@/core/experiment/plan';
import { toldEnough } from '@/core/experiment/finePairs';
import { bookTrial, endEarly, lookNow, sayAnswer, takeLogs } from '@/book/write/experiments';
import { experimentSentence, settingWords } from '@/book/judge/experimentWords';
import { cautionsFor } from '@/book/judge/cautionsFor';
import { planSentence } from '@/book/judge/planSentence';
import { settingNames } from '@/book/judge/trail';
import { roadMap } from '@/book/judge/roadMap';
import { trackOf } from '@/book/judge/trackOf';
import { withSettings } from '@/book/judge/withSettings';
import type { BookView } from '@/book/model/bookView';
import type { ExperimentView, OwnSpread, ShownStep } from '@/book/model/experimentView';
import { RoadLine } from '@/parts/RoadLine';
import { saveSlot } from '@/parts/saveSlot';
import { told } from '@/parts/told';
import { useLookAgain } from '@/parts/useLookAgain';
import { useSimulatedRide } from '@/parts/useSimulatedRide';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/LinkButton';
import { ProgressBar } from '@/ui/ProgressBar';
import { NextStep, StationPage } from '@/ui/StationPage';
import { capital } from '@/words/format';
import { QUESTION_WORDS, rideHow } from '@/words/verdict';
import { SENTENCES } from '@/words/verdictSentences';
import { AnswerPicture } from './AnswerPicture';
import { PairAnswer } from './PairAnswer';
import { canRate, RateStep } from './RateStep';
import { FeelAnswer } from './FeelAnswer';

/** A question under way: what to load now, ride, answer, next. What goes wrong is booked as such, and the plan goes on. */
export function RideGuide({
  view,
  open,
  spread,
}: {
  view: BookView;
  open: ExperimentView;
  spread: OwnSpread;
}) {
  const { asked, step, elsewhere } = open;
  useLookAgain(asked.way === 'helper' && step.kind === 'ride' && !step.isLoaded);
  const words = settingWords(view);
  const names = settingNames(view, settingsOf(asked));
  // The steps that stand before one, and so its number.
  const looks = canRate(open) ? 3 : 2;
  const ends = canLook(open) ? looks + 1 : looks;
  return (
    <StationPage
      finding={headingOf(open, words)}
      subtitle={`${QUESTION_WORDS[open.question].ask} ${capital(names)}, ${view.names.car}.`}
      next={
        <>
          {elsewhere.length > 0 ? (
            <NextStep number={1} title="Something else was changed" actions={<End open={open} />}>
              <span className="text-rust">
                {capital(settingNames(view, elsewhere))} changed since this was asked: what is ridden now
                would not be told from that. Put it back on the trail, or end this question.
              </span>
            </NextStep>
          ) : (
            <CurrentStep view={view} open={open} step={step} />
          )}
          <RateStep open={open} number={2} />
          {canLook(open) && (
            <NextStep
              number={looks}
              title="Look before the end"
              actions={
                <Button onClick={() => void lookNow(open.id).then((reply) => told(reply))}>Look now</Button>
              }
            >
              Whoever looks after a pair may stop at a lucky one: from then on a claim has to be surer, at the
              end too.
            </NextStep>
          )}
          {elsewhere.length === 0 && (
            <NextStep
              number={ends}
              title="Break off"
              actions={
                <>
                  <LinkButton href="/seat?do=verdict">From the seat</LinkButton>
                  <End open={open} />
                </>
              }
            >
              {asked.question === 'change'
                ? 'What was driven until then is compared.'
                : isToldBroken(open)
                  ? 'What you notice is told, with more left open than after the last pair.'
                  : 'Nothing is shown then. A pause needs nothing: it goes on where it was.'}
            </NextStep>
          )}
        </>
      }
    >
      {open.commitment && (
        <p className="mb-4 max-w-2xl text-sm text-muted">
          The order of all {isPairPlan(asked) ? `${asked.pairs} pairs` : 'pairs there can be'} is drawn and
          sealed. Its fingerprint, to check it by at the end:{' '}
          <span className="font-mono break-all text-ink">{open.commitment}</span>
        </p>
      )}
      <Progress open={open} />
      {asked.question === 'change' && (
        <p className="mt-1 max-w-2xl text-muted">
          {planSentence('change', { ...asked, searched: 1 }, spread)}.
        </p>
      )}
      {open.ridden === 0 && (
        <RoadLine map={roadMap(trackOf(view))} className="mt-6 h-80 w-full max-w-2xl text-muted" />
      )}
      {open.answer && open.ridden > 0 && (
        <>
          <p className="mt-4 max-w-2xl">So far: {experimentSentence(view, open)}.</p>
          <AnswerPicture view={view} shown={open} />
        </>
      )}
    </StationPage>
  );
}

/** Two pairs are the least that says anything. */
const LEAST_LOOKED = 4;
const canLook = ({ question, answer, ridden }: ExperimentView) =>
  question === 'change' && answer === null && ridden >= LEAST_LOOKED;

function headingOf({ step, asked }: ExperimentView, words: ReturnType<typeof settingWords>): string {
  if (step.kind === 'over') return 'That was the last ride';
  if (step.kind === 'answer')
    return step.ask === 'which'
      ? 'Which of the two was B?'
      : step.ask === 'better'
        ? 'Which was better?'
        : step.ask === 'more'
          ? `Which had more ${words.name(settingsOf(asked)[0]!).toLowerCase()}?`
          : 'How was it?';
  const ride = `Ride ${step.place + 1}${step.of === null ? '' : ` of ${step.of}`}`;
  if (step.values === null)
    return `${ride}: ${step.isLoaded || asked.way === 'here' ? 'drive' : asked.way === 'files' ? 'load its file' : 'your helper is loading'}`;
  const side = step.side === null ? '' : `${step.side}, `;
  return `${ride}: ${side}${words.side(step.values)}, ${asked.lapsPerRide} ${asked.lapsPerRide === 1 ? 'lap' : 'laps'}`;
}

function CurrentStep({ view, open, step }: { view: BookView; open: ExperimentView; step: ShownStep }) {
  const answer = (said: Said) =>
    sayAnswer({ id: open.id, place: step.kind === 'over' ? 0 : step.place, said }).then(
      (reply) => void told(reply),
    );
  if (step.kind === 'over') return null;
  if (step.kind === 'answer')
    return step.ask === 'feel' ? (
      <FeelAnswer
        names={settingsOf(open.asked).map((key) => ({ key, name: settingWords(view).name(key) }))}
        isFirst={step.isFirst}
        onSay={answer}
      />
    ) : (
      <PairAnswer
        ask={step.ask}
        name={settingWords(view).name(settingsOf(open.asked)[0]!).toLowerCase()}
        way={open.asked.way}
        onSay={answer}
      />
    );
  if (open.asked.way === 'simulated' && step.values)
    return <Simulated view={view} open={open} step={step} values={step.values} />;
  if (open.asked.way === 'here') return <Here view={view} open={open} />;
  return <Driven view={view} open={open} step={step} />;
}

/** What is driven on our own roads is loaded, booked and asked from the seat. */
function Here({ view, open }: { view: BookView; open: ExperimentView }) {
  const isElsewhere = open.trackId !== view.trackId;
  return (
    <NextStep
      number={1}
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

type RideStep = Extract<ShownStep, { kind: 'ride' }>;

/** The simulated driver rides with the values of the step, and the ride is booked. */
function Simulated({
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
  const { progress, start, cancel } = useSimulatedRide(withSettings(view, values), async (rideId) => {
    told(await bookTrial({ id: open.id, place: step.place, outcome: 'ridden', rideId }));
  });
  const isElsewhere = open.trackId !== view.trackId;
  return (
    <NextStep
      number={1}
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
function Driven({ view, open, step }: { view: BookView; open: ExperimentView; step: RideStep }) {
  const [isBusy, setBusy] = useState(false);
  const words = settingWords(view);
  const { asked } = open;
  const book = async (outcome: TrialOutcome) => {
    setBusy(true);
    told(await bookTrial({ id: open.id, place: step.place, outcome }));
    setBusy(false);
  };
  const isBlind = step.values === null;
  const isAlone = asked.way === 'files';
  const isCheck = open.answer?.kind === 'best' && open.answer.found.isCheck;
  return (
    <NextStep
      number={1}
      title={
        !isBlind
          ? `Load ${words.side(step.values!)}`
          : step.isLoaded
            ? 'Drive'
            : isAlone
              ? 'Save and load its file'
              : 'Wait for your helper'
      }
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
      {asked.question === 'change' && open.ridden > 0 && (
        <span className="mt-3 flex flex-wrap gap-2">
          <LinkButton href="/ride">Take logs in</LinkButton>
          <Button
            onClick={() => void takeLogs(open.id).then((reply) => told(reply, 'Logs matched by their time'))}
          >
            Match the logs
          </Button>
        </span>
      )}
    </NextStep>
  );
}

/** What is believed of what a driver notices holds after some pairs as well. */
const isToldBroken = ({ question, answers }: ExperimentView) => question === 'fine' && toldEnough(answers);

function End({ open }: { open: ExperimentView }) {
  return (
    <Button onClick={() => void endEarly(open.id).then((reply) => told(reply))}>
      {open.question === 'change' && open.ridden > 0
        ? 'End here and compare'
        : isToldBroken(open)
          ? 'End here'
          : 'Give up'}
    </Button>
  );
}

function Progress({ open }: { open: ExperimentView }) {
  const { step, ridden, lost } = open;
  const of = step.kind === 'ride' ? step.of : null;
  return (
    <p className="text-muted">
      {of === null
        ? open.commitment
          ? SENTENCES.blindOpen(
              Math.floor(ridden / 2) + (step.kind === 'answer' ? 0 : 1),
              open.question === 'fine',
            )
          : `${ridden} ${ridden === 1 ? 'ride' : 'rides'} so far`
        : `${ridden} of ${of} rides driven`}
      {lost > 0 && `, ${lost} went wrong and ${lost === 1 ? 'is' : 'are'} not counted`}.
    </p>
  );
}
