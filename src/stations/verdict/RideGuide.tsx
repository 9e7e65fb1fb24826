'use client';

import { isPairPlan, rulesOf, settingsOf } from '@/core/experiment/questions';
import { endEarly, lookNow } from '@/book/write/experiments';
import { experimentSentence, settingWords } from '@/book/judge/experimentWords';
import { settingNames } from '@/book/judge/trail';
import { roadMap } from '@/book/judge/roadMap';
import { trackOf } from '@/book/judge/trackOf';
import { turnOf } from '@/book/judge/turn';
import type { BookView } from '@/book/model/bookView';
import type { ExperimentView, OwnSpread } from '@/book/model/experimentView';
import { RoadLine } from '@/parts/RoadLine';
import { notifyReply } from '@/parts/notifyReply';
import { usePollRefresh } from '@/parts/usePollRefresh';
import { useTurn } from '@/parts/useTurn';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/LinkButton';
import { NextStep, StationPage } from '@/ui/StationPage';
import { capital } from '@/words/format';
import { QUESTION_WORDS } from '@/words/questions';
import { AnswerPicture } from './AnswerPicture';
import { PairAnswer } from './PairAnswer';
import { RateStep } from './RateStep';
import { FeelAnswer } from './FeelAnswer';
import { Driven, Here, Simulated } from './RideSteps';

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
  usePollRefresh(asked.way === 'helper' && step.kind === 'ride' && !step.isLoaded);
  const words = settingWords(view);
  const names = settingNames(view, settingsOf(asked));
  return (
    <StationPage
      finding={headingOf(open, words)}
      subtitle={`${QUESTION_WORDS[open.question].ask} ${capital(names)}, ${view.names.car}.`}
      next={
        <>
          <CurrentStep view={view} open={open} />
          <RateStep open={open} />
          {canLook(open) && (
            <NextStep
              title="Look before the end"
              actions={
                <Button onClick={() => void lookNow(open.id).then((reply) => notifyReply(reply))}>
                  Look now
                </Button>
              }
            >
              Whoever looks after a pair may stop at a lucky one: from then on a claim has to be surer, at the
              end too.
            </NextStep>
          )}
          {elsewhere.length === 0 && (
            <NextStep
              title="Break off"
              actions={
                <>
                  <LinkButton href="/seat?do=verdict">From the seat</LinkButton>
                  <End open={open} />
                </>
              }
            >
              {QUESTION_WORDS[open.question].brokenOff(tellsWhenBroken(open))}
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
      {isPairPlan(asked) && rulesOf(asked.question).isCompared && (
        <p className="mt-1 max-w-2xl text-muted">
          {QUESTION_WORDS[asked.question].plan({ ...asked, searched: 1 }, spread, false)}.
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
  rulesOf(question).isCompared && answer === null && ridden >= LEAST_LOOKED;

function headingOf({ step, asked }: ExperimentView, words: ReturnType<typeof settingWords>): string {
  if (step.kind === 'over') return 'That was the last ride';
  if (step.kind === 'answer')
    return {
      which: 'Which of the two was B?',
      better: 'Which was better?',
      more: `Which had more ${words.name(settingsOf(asked)[0]!).toLowerCase()}?`,
      feel: 'How was it?',
    }[step.ask];
  const ride = `Ride ${step.place + 1}${step.of === null ? '' : ` of ${step.of}`}`;
  if (step.values === null)
    return `${ride}: ${step.isLoaded || asked.way === 'here' ? 'drive' : asked.way === 'files' ? 'load its file' : 'your helper is loading'}`;
  const side = step.side === null ? '' : `${step.side}, `;
  return `${ride}: ${side}${words.side(step.values)}, ${asked.lapsPerRide} ${asked.lapsPerRide === 1 ? 'lap' : 'laps'}`;
}

function CurrentStep({ view, open }: { view: BookView; open: ExperimentView }) {
  const { isBusy, say } = useTurn(open);
  const turn = turnOf(open);
  const words = settingWords(view);
  switch (turn.waitsFor) {
    case 'nothing':
      return null;
    case 'settings put back':
      return (
        <NextStep title="Something else was changed" actions={<End open={open} />}>
          <span className="text-rust">
            {capital(settingNames(view, turn.keys))} changed since this was asked: what is ridden now would
            not be told from that. Put it back on the trail, or end this question.
          </span>
        </NextStep>
      );
    case 'answer to a ride': {
      const names = settingsOf(open.asked).map((key) => ({ key, name: words.name(key) }));
      return <FeelAnswer names={names} isFirst={turn.step.isFirst} isBusy={isBusy} onSay={say} />;
    }
    case 'answer to a pair': {
      const name = words.name(settingsOf(open.asked)[0]!).toLowerCase();
      return <PairAnswer open={open} step={turn.step} name={name} isBusy={isBusy} onSay={say} />;
    }
    case 'simulated ride':
      return <Simulated view={view} open={open} step={turn.step} values={turn.values} />;
    case 'ride here':
      return <Here view={view} open={open} />;
    case 'ride in the title':
      return <Driven view={view} open={open} step={turn.step} />;
  }
}

/** Laps that were driven can be compared, and what is believed of what a driver notices holds after some pairs as well. */
const tellsWhenBroken = ({ question, answers, ridden }: ExperimentView) =>
  rulesOf(question).tellsWhenBroken({ ridden, answers });

const endLabel = (open: ExperimentView) => {
  if (!tellsWhenBroken(open)) return 'Give up';
  return rulesOf(open.question).isCompared ? 'End here and compare' : 'End here';
};

function End({ open }: { open: ExperimentView }) {
  return (
    <Button onClick={() => void endEarly(open.id).then((reply) => notifyReply(reply))}>
      {endLabel(open)}
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
          ? QUESTION_WORDS[open.question].open(Math.floor(ridden / 2) + (step.kind === 'answer' ? 0 : 1))
          : `${ridden} ${ridden === 1 ? 'ride' : 'rides'} so far`
        : `${ridden} of ${of} rides driven`}
      {lost > 0 && `, ${lost} went wrong and ${lost === 1 ? 'is' : 'are'} not counted`}.
    </p>
  );
}
