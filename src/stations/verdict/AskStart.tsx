import Link from 'next/link';
import { QUESTIONS, type Question } from '@/core/experiment/plan';
import { outlook, USUAL_PLAN } from '@/core/experiment/planRides';
import { MOST_BLIND_PAIRS } from '@/core/experiment/bettingScore';
import { MEASURES_SHOWN } from '@/core/rides/measures';
import type { BookView } from '@/book/model/bookView';
import type { ExperimentLine, OwnSpread, VerdictView } from '@/book/model/experimentView';
import { LinkButton } from '@/ui/LinkButton';
import { NextStep, StationPage } from '@/ui/StationPage';
import { moment } from '@/words/format';
import { QUESTION_WORDS, SENTENCES } from '@/words/verdict';

/** Verdict begins with the question; each says what it takes before the first ride. */
export function AskStart({ view, verdict }: { view: BookView; verdict: VerdictView }) {
  const { spread, past, pair } = verdict;
  return (
    <StationPage
      finding="What do you want to know?"
      subtitle={
        spread.rides > 0
          ? `${view.names.driver}, ${view.names.car}: what can be seen is worked out from ${spread.rides === 1 ? 'one ride' : `${spread.rides} rides`} on this road`
          : `${view.names.driver}, ${view.names.car}: no ride on this road yet`
      }
      next={
        <>
          <NextStep
            number={1}
            title="Ask one thing of one setting"
            actions={
              <LinkButton look="next" href="/verdict?ask=change">
                {QUESTION_WORDS.change.ask}
              </LinkButton>
            }
          >
            Say what it is for before you ride: that measure is then tested alone.
          </NextStep>
          {pair !== null && (
            <NextStep
              number={2}
              title="A and B on the trail"
              actions={<LinkButton href="/verdict?pair=1">Compare A and B</LinkButton>}
            >
              {pair}.
            </NextStep>
          )}
        </>
      }
    >
      <ul className="mt-2">
        {QUESTIONS.map((question) => (
          <li key={question} className="border-b border-line last:border-0">
            <Link
              href={`/verdict?ask=${question}`}
              className="grid gap-x-6 py-4 hover:bg-raised sm:grid-cols-[15rem_1fr]"
            >
              <span className="text-lg font-semibold">{QUESTION_WORDS[question].ask}</span>
              <span>
                <span className="block">{QUESTION_WORDS[question].about}</span>
                <span className="mt-1 block text-muted">{whatItTakes(question, spread)}.</span>
              </span>
            </Link>
          </li>
        ))}
      </ul>
      {past.length > 0 && <Answered past={past} />}
    </StationPage>
  );
}

/** A lap that nobody has driven yet takes about so long. */
const USUAL_LAP_S = 100;

function whatItTakes(question: Question, { lapS, of }: OwnSpread): string {
  switch (question) {
    case 'change': {
      const lap = of.lapTimeS;
      if (!lap) return `${SENTENCES.planTakes(USUAL_PLAN, minutes(lapS))}; ${SENTENCES.planUnknown()}`;
      const seen = outlook(USUAL_PLAN, lap, 1, lapS ?? USUAL_LAP_S);
      return `${SENTENCES.planTakes(USUAL_PLAN, seen.minutes)}: ${SENTENCES.planShows(MEASURES_SHOWN[0]!, seen)}`;
    }
    case 'tell':
    case 'like':
      return SENTENCES.planBlind(MOST_BLIND_PAIRS);
    case 'best':
      return SENTENCES.planSearch(1);
    case 'what':
      return SENTENCES.planWhat();
  }
}

const minutes = (lapS: number | null) =>
  outlook(USUAL_PLAN, { sigma: 1, upper: 1, df: 1 }, 1, lapS ?? USUAL_LAP_S).minutes;

function Answered({ past }: { past: ExperimentLine[] }) {
  return (
    <section aria-label="Answered before" className="mt-8">
      <h2 className="border-b border-line pb-2 font-bold">Answered before</h2>
      <ul>
        {past.map((line) => (
          <li key={line.id} className="border-b border-line last:border-0">
            <Link
              href={`/verdict?show=${line.id}`}
              className="grid gap-x-6 py-3 hover:bg-raised sm:grid-cols-[15rem_1fr]"
            >
              <span>
                <span className="block font-semibold">{line.settings.join(', ')}</span>
                <span className="block text-sm text-muted">
                  {QUESTION_WORDS[line.question].ask} {moment(line.atMs)}
                </span>
              </span>
              <span>
                {line.sentence}.
                {line.decision && <span className="text-muted"> {DECIDED[line.decision]}</span>}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

const DECIDED = { kept: 'Kept.', 'put back': 'Put back.' };
