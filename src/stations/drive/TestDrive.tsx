'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useState } from 'react';
import {
  CLIPS,
  LEFT_OUT,
  nextPart,
  TEST_PARTS,
  WHOLE,
  type TestPart,
  type TestQuestion,
} from '@/core/feel/testRun';
import { reasonOf } from '@/core/problem';
import { rideFigures, type RideClipping } from '@/core/rides/rideFigures';
import { clipsTooMuch } from '@/book/judge/force';
import { PLAINLY } from '@/book/judge/livePlan';
import type { BookView } from '@/book/model/bookView';
import type { DeviceSource } from '@/devices/source';
import { useAnswerButtons, type Answer } from '@/live/answerButtons';
import { useDrive } from '@/live/useDrive';
import { useRimAnswers } from '@/live/useRimAnswers';
import { speak } from '@/live/voice';
import { keepRide } from '@/parts/keepRide';
import { endAddress, useTestAnswers, useTestQuestion } from '@/parts/useTestRun';
import { Button } from '@/ui/Button';
import { forceSentence } from '@/words/testRun';
import { DriveScreen } from './DriveScreen';
import { useAtEnd } from './useAtEnd';

interface Props {
  view: BookView;
  source: DeviceSource;
}

/** The test run on our own road: part by part driven, and after each one thing asked or measured. */
export function TestDrive({ view, source }: Props) {
  const router = useRouter();
  const { answers, say } = useTestAnswers('here');
  const [attempt, setAttempt] = useState(0);
  const again = useCallback(() => setAttempt((n) => n + 1), []);
  const part = nextPart(answers);
  const end = endAddress('here', answers);
  const isOver = part === null;
  useEffect(() => {
    // The way back leads to where one came from, and not here again.
    if (isOver) router.replace(end);
  }, [isOver, end, router]);
  if (!part) return <main data-drive="over" />;
  return (
    <OnePart
      key={`${part.name}/${attempt}`}
      {...{ view, source, part }}
      number={answers.length + 1}
      onSaid={(said) => say(part.name, said)}
      onAgain={again}
      onLeave={() => router.push(end)}
    />
  );
}

type Came =
  | { state: 'driving' }
  | { state: 'keeping' }
  | { state: 'nothing'; why: string }
  | { state: 'driven'; clipping: RideClipping | null };

interface PartProps extends Props {
  part: TestPart;
  number: number;
  onSaid(said: string): void;
  onAgain(): void;
  onLeave(): void;
}

function OnePart({ view, source, part, number, onSaid, onAgain, onLeave }: PartProps) {
  const [seed] = useState(() => view.rideCount + 301 + number);
  const how = { course: { kind: 'part', part: part.name }, ...PLAINLY, seed, blind: null } as const;
  const drive = useDrive(view, source, how);
  const { status, finish } = drive;
  const [came, setCame] = useState<Came>({ state: 'driving' });
  useEffect(() => speak(`${part.label}. ${part.how}`), [part]);

  const end = useAtEnd(status.state === 'over', async () => {
    setCame({ state: 'keeping' });
    try {
      const driven = await finish();
      if (!driven) return setCame({ state: 'nothing', why: status.fault ?? 'Nothing was driven yet.' });
      const log = { ...driven.log, notes: { ...driven.log.notes, part: part.name } };
      await keepRide(log, { trackId: view.trackId, seed, settings: view.settings, isAsked: true });
      setCame({ state: 'driven', clipping: rideFigures(log).clipping });
    } catch (error) {
      setCame({ state: 'nothing', why: reasonOf(error) });
    }
  });

  const over = () => {
    if (came.state === 'driving') return null;
    if (came.state === 'keeping') return <p className="text-4xl font-bold">It is being kept…</p>;
    if (came.state === 'nothing')
      return (
        <Choice
          {...{ view, source }}
          title="Nothing was driven"
          how={came.why}
          yes="Once more"
          no="Leave it out"
          onAnswer={(said) => (said === 'yes' ? onAgain() : onSaid(LEFT_OUT))}
        />
      );
    if (part.here) return <Asked {...{ view, source, onSaid }} question={part.here} label={part.label} />;
    const { clipping } = came;
    return (
      <Choice
        {...{ view, source }}
        title={forceSentence(clipping)}
        how={`${part.label}: ${part.tells}. It is felt in the title alone.`}
        yes="Go on"
        no="Once more"
        onAnswer={(said) =>
          said === 'yes' ? onSaid(clipping && clipsTooMuch(clipping) ? CLIPS : WHOLE) : onAgain()
        }
      />
    );
  };
  return (
    <DriveScreen
      view={view}
      source={source}
      drive={drive}
      where={
        <p className="mt-1 max-w-80">
          <span className="block text-lg font-bold">
            {number} of {TEST_PARTS.length}: {part.label}
          </span>
          <span className="block text-muted">{part.how}</span>
        </p>
      }
      buttons={
        <>
          <Button onClick={() => void end()}>That is it</Button>
          <Button look="quiet" onClick={onLeave}>
            Leave the test run
          </Button>
        </>
      }
      over={over()}
    />
  );
}

function Asked({
  view,
  source,
  question,
  label,
  onSaid,
}: Props & { question: TestQuestion; label: string; onSaid(said: string): void }) {
  const { text, asked, answer } = useTestQuestion(question, onSaid);
  return (
    <Choice
      key={asked}
      {...{ view, source }}
      title={text}
      how={asked === 0 ? label : 'What was not right?'}
      yes="Yes"
      no="No"
      onAnswer={answer}
    />
  );
}

/** One thing to say yes or no to, by paddle or by hand. */
function Choice({
  view,
  source,
  title,
  how,
  yes,
  no,
  onAnswer,
}: Props & { title: string; how: string; yes: string; no: string; onAnswer(said: Answer): void }) {
  const { meaning } = useAnswerButtons(source, view.rig.spec.rim.buttons);
  useRimAnswers(source, meaning, onAnswer);
  useEffect(() => speak(title), [title]);
  return (
    <div className="max-w-4xl">
      <p className="text-4xl leading-tight font-bold text-balance">{title}</p>
      <p className="mt-2 text-2xl text-muted">{how}</p>
      <p className="mt-5 flex justify-center gap-3">
        <Button look="next" onClick={() => onAnswer('yes')}>
          {yes === 'Yes' ? yes : `${yes} (yes)`}
        </Button>
        <Button onClick={() => onAnswer('no')}>{no === 'No' ? no : `${no} (no)`}</Button>
      </p>
    </div>
  );
}
