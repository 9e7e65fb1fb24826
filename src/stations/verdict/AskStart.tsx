'use client';

import Link from 'next/link';
import { QUESTIONS } from '@/core/experiment/questions';
import { USUAL_PLAN } from '@/core/experiment/planRides';
import type { BookView } from '@/book/model/bookView';
import type { ExperimentLine, VerdictView } from '@/book/model/experimentView';
import { usePollRefresh } from '@/parts/usePollRefresh';
import { ProgressBar } from '@/ui/ProgressBar';
import { LinkButton } from '@/ui/LinkButton';
import { NextStep, StationPage } from '@/ui/StationPage';
import { moment } from '@/words/format';
import { QUESTION_WORDS } from '@/words/questions';

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
            title="Ask one thing of one setting"
            actions={
              <>
                <LinkButton look="next" href="/verdict?ask=change">
                  {QUESTION_WORDS.change.ask}
                </LinkButton>
                <LinkButton href="/seat?do=verdict">From the seat</LinkButton>
              </>
            }
          >
            Say what it is for before you ride: that measure is then tested alone.
          </NextStep>
          {pair !== null && (
            <NextStep
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
                <span className="mt-1 block text-muted">
                  {QUESTION_WORDS[question].plan(
                    { ...USUAL_PLAN, named: 'lapTimeS', searched: 1 },
                    spread,
                    true,
                  )}
                  .
                </span>
              </span>
            </Link>
          </li>
        ))}
      </ul>
      {verdict.filling && <Filling filling={verdict.filling} />}
      {past.length > 0 && <Answered past={past} />}
    </StationPage>
  );
}

/** How often it is looked whether another ride came in. */
const LOOK_MS = 2000;

/** What the demo still works out, while it can be used already. */
function Filling({ filling: { done, of } }: { filling: NonNullable<VerdictView['filling']> }) {
  usePollRefresh(true, LOOK_MS);
  return (
    <div className="mt-8 max-w-md">
      <ProgressBar share={done / of} label="The demo’s evening">
        The demo’s evening is being driven: {done} of {of} rides
      </ProgressBar>
    </div>
  );
}

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
