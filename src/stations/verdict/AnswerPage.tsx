'use client';

import { isPairPlan, isToLearn, rulesOf, settingsOf } from '@/core/experiment/questions';
import { isForceSetting } from '@/core/force/forceParameters';
import { decide, rideOn } from '@/book/write/experiments';
import { experimentRemarks, experimentSentence, settingWords } from '@/book/judge/experimentWords';
import { checkFile } from '@/book/judge/checkFile';
import { settingNames } from '@/book/judge/trail';
import type { BookView } from '@/book/model/bookView';
import type { ExperimentView } from '@/book/model/experimentView';
import { notifyReply } from '@/parts/notifyReply';
import { Button } from '@/ui/Button';
import { downloadText } from '@/ui/download';
import { LinkButton } from '@/ui/LinkButton';
import { NextStep, StationPage } from '@/ui/StationPage';
import { capital, moment } from '@/words/format';
import { QUESTION_WORDS } from '@/words/questions';
import {} from '@/words/verdict';
import { AlongRoad } from './AlongRoad';
import { ForceOfBoth } from './ForceOfBoth';
import { AnswerPicture } from './AnswerPicture';
import { knownHref } from './knownHref';
import { RateStep } from './RateStep';
import { useRouter } from 'next/navigation';

/** One sentence, one picture, and the three things to do: keep, put back, ride on. */
export function AnswerPage({ view, shown }: { view: BookView; shown: ExperimentView }) {
  const { answer } = shown;
  const words = QUESTION_WORDS[shown.question];
  const { isCompared } = rulesOf(shown.question);
  const names = settingNames(view, settingsOf(shown.asked));
  // It is the force that says what a change of the force did; of a blind test it explains the answer.
  const isAboutForce = isPairPlan(shown.asked) && settingsOf(shown.asked).some(isForceSetting);
  const force = <ForceOfBoth view={view} id={shown.id} rides={shown.ridden} />;
  return (
    <StationPage
      finding={experimentSentence(view, shown)}
      subtitle={(answer && words.trust(answer)) ?? `${words.ask} ${capital(names)}, ${moment(shown.atMs)}.`}
      next={<Decide view={view} shown={shown} />}
    >
      {isAboutForce && isCompared && answer && force}
      <AnswerPicture view={view} shown={shown} />
      {isAboutForce && !isCompared && answer && force}
      {answer && isCompared && 'rides' in answer && answer.rides.length > 1 && (
        <AlongRoad id={shown.id} rides={answer.rides.length} />
      )}
      <Remarks view={view} shown={shown} />
    </StationPage>
  );
}

function Decide({ view, shown }: { view: BookView; shown: ExperimentView }) {
  const router = useRouter();
  const { asked, answer, id, decision } = shown;
  const words = settingWords(view);
  const why = `${QUESTION_WORDS[shown.question].ask} ${experimentSentence(view, shown)}.`.slice(0, 900);
  const say = (what: 'kept' | 'put back') =>
    void decide(id, what, why).then((reply) => notifyReply(reply, what === 'kept' ? 'Kept' : 'Put back'));
  const { keep, putBack, whatNext } = QUESTION_WORDS[shown.question];
  const isPair = isPairPlan(asked);
  const best = Object.entries(
    answer?.kind === 'best' && answer.found.state === 'found' ? answer.found.best : {},
  );
  const found = isPair ? asked.b : Object.fromEntries(best.map(([key, { value }]) => [key, value]));
  return (
    <>
      {Object.keys(found).length > 0 && (
        <NextStep
          title={decision === 'kept' ? 'Kept' : 'Keep it'}
          actions={
            <Button look={decision ? 'plain' : 'next'} onClick={() => say('kept')}>
              Keep {keep}
            </Button>
          }
        >
          {isPair && 'B: '}
          {words.side(found)}
        </NextStep>
      )}
      {!isToLearn(asked.question) && (
        <NextStep
          title={decision === 'put back' ? 'Put back' : 'Or put back'}
          actions={<Button onClick={() => say('put back')}>Put back {putBack}</Button>}
        >
          {isPair ? `A: ${words.side(asked.a)}` : 'what it was before'}
        </NextStep>
      )}
      <NextStep
        title={isToLearn(asked.question) ? 'What to do with it' : 'Or ride on'}
        actions={
          <>
            {rulesOf(asked.question).isCompared && (
              <Button
                onClick={() =>
                  void rideOn(id, 2).then((reply) => {
                    if (notifyReply(reply, 'Two more pairs, in an order drawn now')) router.push('/verdict');
                  })
                }
              >
                Two more pairs
              </Button>
            )}
            <LinkButton href={knownHref(settingsOf(asked)[0]!)}>All about this setting</LinkButton>
            <LinkButton href="/verdict">Another question</LinkButton>
          </>
        }
      >
        {whatNext}
      </NextStep>
      <RateStep open={shown} />
      <Check shown={shown} />
    </>
  );
}

/** The orders, the salt and the fingerprint, to check by oneself. */
function Check({ shown }: { shown: ExperimentView }) {
  const file = checkFile(shown);
  if (!file) return null;
  return (
    <NextStep
      title="Check the orders"
      actions={
        <Button onClick={() => downloadText(file.name, file.text, 'application/json')}>Save as a file</Button>
      }
    >
      SHA-256 of <span className="font-mono text-sm break-all">{file.committed}</span> is{' '}
      <span className="font-mono text-sm break-all">{shown.commitment}</span>.
    </NextStep>
  );
}

/** What speaks against taking it at its word. */
function Remarks({ view, shown }: { view: BookView; shown: ExperimentView }) {
  const all = experimentRemarks(view, shown);
  if (all.length === 0) return null;
  return (
    <ul className="mt-6 max-w-2xl list-disc pl-5 text-[15px] text-muted">
      {all.map((one) => (
        <li key={one}>{one}</li>
      ))}
    </ul>
  );
}
