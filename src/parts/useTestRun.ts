'use client';

import { useSearchParams } from 'next/navigation';
import { useState } from 'react';
import {
  askedText,
  heard,
  saidOf,
  saidText,
  type PartAnswer,
  type PartName,
  type TestQuestion,
  type TestWay,
} from '@/core/feel/testRun';
import type { Answer } from '@/live/answerButtons';

/** What was said so far stands in the address: a page that is loaded again goes on where it was. */
export function useTestAnswers(way: TestWay) {
  const params = useSearchParams();
  const answers = saidOf(params.get('said') ?? undefined, way);
  return {
    answers,
    say(part: PartName, said: string): PartAnswer[] {
      const now = [...answers, { part, said }];
      const address = new URLSearchParams(params);
      address.set('said', saidText(now));
      window.history.replaceState(null, '', `?${address}`);
      return now;
    },
  };
}

/** Where what came of a test run stands. */
export const endAddress = (way: TestWay, answers: readonly PartAnswer[]): string =>
  `/test-run?where=${way}&said=${saidText(answers)}`;

/** The question of a part, answered by yes and no alone. */
export function useTestQuestion(question: TestQuestion, onSaid: (said: string) => void) {
  const [asked, setAsked] = useState(0);
  return {
    text: askedText(question, asked),
    /** 0 the part's own question, then its feelings. */
    asked,
    answer(said: Answer) {
      const next = heard(question, asked, said === 'yes');
      if ('asks' in next) setAsked(next.asks);
      else onSaid(next.said);
    },
  };
}
