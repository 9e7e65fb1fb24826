'use client';

import { useState } from 'react';
import { STRETCH_S } from '@/core/driving/stretch';
import {
  isBlind,
  isPairPlan,
  QUESTIONS,
  rulesOf,
  settingsOf,
  type ExperimentPlan,
  type Question,
} from '@/core/experiment/questions';
import { askQuestion } from '@/book/write/experiments';
import { cautionsFor } from '@/book/judge/cautionsFor';
import { settingWords } from '@/book/judge/experimentWords';
import { canBeDrivenHere, drivenHere, seatQuestion } from '@/book/judge/seatQuestion';
import { trackOf } from '@/book/judge/trackOf';
import { settingNames } from '@/book/judge/trail';
import type { BookView } from '@/book/model/bookView';
import type { VerdictView } from '@/book/model/experimentView';
import type { Answer } from '@/live/answerButtons';
import { capital } from '@/words/format';
import { QUESTION_WORDS } from '@/words/questions';
import { tone } from '@/live/voice';
import { useAsking } from '@/parts/useTurn';
import { Prompt, type Props } from './verdictPrompt';

/** The questions, one after the other, of the setting that was changed last. */
export function ChooseQuestion({ view, taught, place, onDone, verdict }: Props & { verdict: VerdictView }) {
  const [at, setAt] = useState(0);
  const [seed] = useState(() => Math.floor(Math.random() * 0xffff_ffff));
  const { isBusy, ask: run } = useAsking(() => tone('counted'));
  const isSimulated = view.rig.spec.device.kind === 'simulated';
  const planOf = (of: Question) => seatQuestion(view, verdict.recent, of, isSimulated, seed);
  // How fine something is felt is driven here or not at all: of the force it is not asked.
  const isFelt = (of: ExperimentPlan | null) => of !== null && canBeDrivenHere(view, of);
  const questions = QUESTIONS.filter((one) => !isOnlyHere(one) || isFelt(planOf(one)));
  const question = questions[at]!;
  const plan = planOf(question);
  const [either, setEither] = useState<ExperimentPlan | null>(null);
  const answer = (said: Answer) => {
    if (isBusy) return;
    if (said === 'yes' && plan) {
      return !isOnlyHere(question) && canBeDrivenHere(view, plan)
        ? setEither(plan)
        : void run(askQuestion(plan));
    }
    if (at + 1 < questions.length) setAt(at + 1);
    else onDone();
  };
  if (either) {
    const isAlone = isBlind(either);
    return (
      <Prompt
        key="here"
        taught={taught}
        place={place}
        title={isAlone ? 'Here, and alone?' : 'Here?'}
        how={`${isAlone ? 'This program loads it, and you' : 'You'} drive ${STRETCH_S} seconds a ride on ${trackOf(view).name}. No: in the title${isAlone ? ', with a helper who loads it' : ''}.`}
        yes={isAlone ? 'here, alone' : 'here'}
        no={isAlone ? 'with a helper' : 'in the title'}
        onAnswer={(said) => !isBusy && void run(askQuestion(said === 'yes' ? drivenHere(either) : either))}
      />
    );
  }
  return (
    <Prompt
      key={question}
      taught={taught}
      place={place}
      title={QUESTION_WORDS[question].ask}
      how={plan ? planText(view, verdict, plan) : 'Nothing can be set here.'}
      yes={plan ? 'ask this' : null}
      no={at + 1 < questions.length ? 'another question' : 'none of them'}
      onAnswer={answer}
    />
  );
}

const isOnlyHere = (question: Question) => rulesOf(question).ways.every((way) => way === 'here');

function planText(view: BookView, verdict: VerdictView, plan: ExperimentPlan): string {
  const words = settingWords(view);
  const of = capital(settingNames(view, settingsOf(plan)));
  const key = settingsOf(plan)[0]!;
  const values = isPairPlan(plan)
    ? `${words.value(key, plan.a[key]!)} against ${words.value(key, plan.b[key]!)}`
    : '';
  const planned = { lapsPerRide: plan.lapsPerRide, searched: 1 };
  const takes = QUESTION_WORDS[plan.question].plan(
    isPairPlan(plan)
      ? { ...planned, pairs: plan.pairs, named: plan.named }
      : { ...planned, pairs: 1, named: null },
    verdict.spread,
    false,
  );
  return [`${of}${values && `, ${values}`}. ${takes}.`, ...cautionsFor(view, settingsOf(plan))].join(' ');
}
