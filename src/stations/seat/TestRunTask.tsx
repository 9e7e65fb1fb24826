'use client';

import { LEFT_OUT, nextPart, TEST_PARTS, type TestPart } from '@/core/feel/testRun';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { tone } from '@/live/voice';
import { endAddress, useTestAnswers, useTestQuestion } from '@/parts/useTestRun';
import type { TaskProps } from './task';
import { Prompt } from './verdictPrompt';

/** The test run in the title, from the seat: drive a part, say whether it is right, and if not what it is. */
export function TestRunTask({ taught }: TaskProps) {
  const router = useRouter();
  const { answers, say } = useTestAnswers('title');
  const part = nextPart(answers);
  const end = endAddress('title', answers);
  const isOver = part === null;
  // The way back leads to where one came from, and not here again.
  useEffect(() => {
    if (isOver) router.replace(end);
  }, [isOver, end, router]);
  if (!part) return null;
  const onSaid = (said: string) => {
    tone('counted');
    say(part.name, said);
  };
  const place = { done: answers.length, of: TEST_PARTS.length };
  return <Part key={part.name} {...{ taught, place, part, onSaid }} leaveTo={end} />;
}

interface Props extends Pick<TaskProps, 'taught' | 'place'> {
  part: TestPart;
  leaveTo: string;
  onSaid(said: string): void;
}

function Part({ part, onSaid, ...seat }: Props) {
  const [isDriven, setDriven] = useState(false);
  if (isDriven) return <Asked {...seat} part={part} onSaid={onSaid} />;
  return (
    <Prompt
      {...seat}
      title={part.label}
      how={part.how}
      isDriven
      yes="driven"
      no="leave it out"
      onAnswer={(said) => (said === 'yes' ? setDriven(true) : onSaid(LEFT_OUT))}
    />
  );
}

function Asked({ part, onSaid, ...seat }: Props) {
  const { text, asked, answer } = useTestQuestion(part.title, onSaid);
  return (
    <Prompt
      key={asked}
      {...seat}
      title={text}
      how={asked === 0 ? `${part.label}. No: something else.` : 'No: another thing, or none of them.'}
      yes={asked === 0 ? 'it is right' : 'that is it'}
      no={asked === 0 ? 'it is not' : 'not that'}
      onAnswer={answer}
    />
  );
}
