'use client';

import { useEffect, useState } from 'react';
import { isToLearn, settingsOf } from '@/core/experiment/questions';
import { decide } from '@/book/write/experiments';
import { settingWords } from '@/book/judge/experimentWords';
import { settingNames } from '@/book/judge/trail';
import { turnOf, type AnswerStep, type RideStep } from '@/book/judge/turn';
import { withSettings } from '@/book/judge/withSettings';
import type { ExperimentLine, ExperimentView, ShownStep } from '@/book/model/experimentView';
import type { Answer } from '@/live/answerButtons';
import { tone } from '@/live/voice';
import { saveSlot } from '@/parts/saveSlot';
import { usePollRefresh } from '@/parts/usePollRefresh';
import { useSimulatedRide } from '@/parts/useSimulatedRide';
import { useAsking, useTurn } from '@/parts/useTurn';
import { capital } from '@/words/format';
import { QUESTION_WORDS } from '@/words/questions';
import { ChooseQuestion } from './ChooseQuestion';
import type { TaskProps } from './task';
import { Prompt, type Props } from './verdictPrompt';

const counted = () => tone('counted');

/** A question from the seat: chosen, ridden and answered by what the driver is holding. */
export function VerdictTask({ verdict, ...props }: TaskProps) {
  const open = verdict?.open ?? null;
  // The question that was under way here and is over now.
  const [last, setLast] = useState(open?.id ?? null);
  if (open && open.id !== last) setLast(open.id);
  if (!verdict) return null;
  if (open) return <UnderWay key={`${open.id}/${stepText(open.step)}`} {...props} open={open} />;
  const answered = verdict.past.find(({ id }) => id === last);
  if (answered && answered.decision === null) return <Answered {...props} line={answered} />;
  if (answered) return <Over {...props} />;
  return <ChooseQuestion {...props} verdict={verdict} />;
}

const stepText = (step: ShownStep) => JSON.stringify(step);

function UnderWay(props: Props & { open: ExperimentView }) {
  const turn = turnOf(props.open);
  switch (turn.waitsFor) {
    case 'nothing':
      return null;
    case 'settings put back':
      return (
        <Prompt
          {...props}
          title="Something else was changed"
          how={`${capital(settingNames(props.view, turn.keys))}: put it back at the desk, then go on.`}
          yes={null}
          no="leave the seat"
          onAnswer={(said) => said === 'no' && props.onLeave('/verdict')}
        />
      );
    case 'answer to a ride':
      return <Feel {...props} step={turn.step} />;
    case 'answer to a pair':
      return <Pair {...props} step={turn.step} />;
    case 'ride here':
      return <Here {...props} />;
    case 'simulated ride':
      return <Simulated {...props} step={turn.step} values={turn.values} />;
    case 'ride in the title':
      return <Drive {...props} step={turn.step} />;
  }
}

/** What is driven on our own roads loads itself: a foot that stays on a pedal makes it wait. */
function Here({ onLeave }: Props) {
  useEffect(() => onLeave('/drive?do=verdict'), [onLeave]);
  return null;
}

const rideText = (step: RideStep) => `Ride ${step.place + 1}${step.of === null ? '' : ` of ${step.of}`}`;
const lapsText = (n: number) => (n === 1 ? 'one lap' : `${n} laps`);

function Simulated({
  open,
  step,
  values,
  ...props
}: Props & { open: ExperimentView; step: RideStep; values: NonNullable<RideStep['values']> }) {
  const words = settingWords(props.view);
  const { book } = useTurn(open, counted);
  const { progress, start } = useSimulatedRide(withSettings(props.view, values), (rideId) =>
    book('ridden', rideId),
  );
  return (
    <Prompt
      {...props}
      title={`${rideText(step)}: ${words.side(values)}`}
      how={`The simulated driver, an out-lap, then ${lapsText(open.asked.lapsPerRide)}.`}
      yes={progress ? null : 'ride'}
      no={null}
      remark={progress ? (progress.lap === 0 ? 'Out-lap' : `Lap ${progress.lap}`) : ''}
      onAnswer={(said) => said === 'yes' && !progress && start(open.asked.lapsPerRide)}
    />
  );
}

function Drive({ open, step, ...props }: Props & { open: ExperimentView; step: RideStep }) {
  const { isBusy, book } = useTurn(open, counted);
  const words = settingWords(props.view);
  const isAlone = open.asked.way === 'files' && !step.isLoaded;
  const isWaiting = !step.isLoaded && !isAlone;
  usePollRefresh(isWaiting);
  if (isAlone)
    return (
      <Prompt
        key="save"
        {...props}
        title={`${rideText(step)}: save its file`}
        how="Load it in the title over everything else, and don’t look inside."
        yes="save it"
        no={null}
        onAnswer={(said) => said === 'yes' && void saveSlot(open.id, step.place)}
      />
    );
  return (
    <Prompt
      {...props}
      title={
        step.values
          ? `${rideText(step)}: load ${words.side(step.values)}`
          : isWaiting
            ? `${rideText(step)}: your helper is loading`
            : `${rideText(step)}: drive`
      }
      how={
        isWaiting ? 'Look away until it is loaded.' : `An out-lap, then ${lapsText(open.asked.lapsPerRide)}.`
      }
      isDriven
      yes={isWaiting ? null : 'driven'}
      no={isWaiting ? null : 'it went wrong, again'}
      onAnswer={(said) => !isWaiting && !isBusy && void book(said === 'yes' ? 'ridden' : 'crash')}
    />
  );
}

function Pair({ open, step, ...props }: Props & { open: ExperimentView; step: AnswerStep }) {
  const turn = useTurn(open, counted);
  const { isBusy } = turn;
  const [can, setCan] = useState<Answer | null>(null);
  const say = (answer: 'first' | 'second' | 'none', noticed = false) =>
    void turn.say({ kind: 'pair', answer, sure: null, noticed });
  if (step.ask === 'more') {
    const [key] = settingsOf(open.asked);
    // Whoever can't say guesses: where guesses begin is what is asked.
    return (
      <Prompt
        key="more"
        {...props}
        title={`Had the second one more ${settingWords(props.view).name(key!).toLowerCase()}?`}
        how="No means that the first one had. Guess where you can’t say."
        yes="the second"
        no="the first"
        onAnswer={(said) => !isBusy && say(said === 'yes' ? 'second' : 'first')}
      />
    );
  }
  const what = step.ask === 'which' ? 'B' : 'better';
  // Whoever can't say must not be made to guess.
  if (can === null)
    return (
      <Prompt
        key="can"
        {...props}
        title={step.ask === 'which' ? 'Can you say which was B?' : 'Can you say which was better?'}
        how={`By the feel of the two rides just driven.${open.asked.way === 'helper' ? ' Say it before you talk to your helper.' : ''}`}
        yes="I can"
        no="can’t say"
        onAnswer={setCan}
      />
    );
  if (can === 'no')
    return (
      <Prompt
        key="noticed"
        {...props}
        title="Did something else tell you which it was?"
        how="A word, a sound, a screen. Then this pair is booked as noticed, and counts for nothing either way."
        yes="yes, I noticed"
        no="no, I can’t say"
        onAnswer={(said) => !isBusy && say('none', said === 'yes')}
      />
    );
  return (
    <Prompt
      key="which"
      {...props}
      title={`Was the second one ${what}?`}
      how="No means that the first one was."
      yes="the second"
      no="the first"
      onAnswer={(said) => !isBusy && say(said === 'yes' ? 'second' : 'first')}
    />
  );
}

function Feel({ open, step, ...props }: Props & { open: ExperimentView; step: AnswerStep }) {
  const { isBusy, say } = useTurn(open, counted);
  const words = settingWords(props.view);
  const keys = settingsOf(open.asked);
  const [better, setBetter] = useState<'this' | 'before' | null>(null);
  const [wants, setWants] = useState<Record<string, 'more' | 'less'>>({});
  if (!step.isFirst && better === null)
    return (
      <Prompt
        key="better"
        {...props}
        title="Was it better than the ride before?"
        how="By the feel of it."
        yes="better"
        no="the one before was better"
        onAnswer={(said) => setBetter(said === 'yes' ? 'this' : 'before')}
      />
    );
  // The last one stays while what was said is being written.
  const key = keys.find((one) => !wants[one]) ?? keys.at(-1)!;
  return (
    <Prompt
      key={key}
      {...props}
      title={`Would you have more ${words.name(key).toLowerCase()}?`}
      how="No means less."
      yes="more"
      no="less"
      onAnswer={(said) => {
        if (isBusy || wants[key]) return;
        const now = { ...wants, [key]: said === 'yes' ? ('more' as const) : ('less' as const) };
        setWants(now);
        if (keys.every((one) => now[one])) void say({ kind: 'feel', better, wants: now });
      }}
    />
  );
}

/** The sentence, and keep or put back. */
function Answered({ line, ...props }: Props & { line: ExperimentLine }) {
  const { isBusy, ask: run } = useAsking(counted);
  const isDecided = isToLearn(line.question) || line.state === 'given up';
  const { ask, keep, putBack } = QUESTION_WORDS[line.question];
  const why = `${ask} ${line.sentence}.`.slice(0, 900);
  return (
    <Prompt
      {...props}
      title={line.sentence}
      how={`${ask} ${line.settings.join(', ')}.`}
      yes={isDecided ? 'leave the seat' : `keep ${keep}`}
      no={isDecided ? null : `put back ${putBack}`.trim()}
      onAnswer={(said) => {
        if (isDecided) props.onLeave(`/verdict?show=${line.id}`);
        else if (!isBusy) void run(decide(line.id, said === 'yes' ? 'kept' : 'put back', why));
      }}
    />
  );
}

function Over({ onDone }: Props) {
  useEffect(() => onDone(), [onDone]);
  return null;
}
