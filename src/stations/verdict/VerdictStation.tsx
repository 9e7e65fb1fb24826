'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { Question } from '@/core/experiment/questions';
import type { BookView } from '@/book/model/bookView';
import type { ExperimentView, VerdictView } from '@/book/model/experimentView';
import { AnswerPage } from './AnswerPage';
import { AskStart } from './AskStart';
import { PlanForm } from './PlanForm';
import { RideGuide } from './RideGuide';

/** The question that was under way on this page and is over now. */
function useAnswered(open: string | null): string | null {
  const [last, setLast] = useState(open);
  if (open !== null && open !== last) setLast(open);
  return open === null ? last : null;
}

/** Verdict: a question, the rides that answer it, one sentence and what to do with it. */
export function VerdictStation({
  view,
  verdict,
  shown,
  ask,
  of,
}: {
  view: BookView;
  verdict: VerdictView;
  /** A question of before that is looked at. */
  shown: ExperimentView | null;
  ask: Question | null;
  /** The setting that it is to be about. */
  of: string | null;
}) {
  const answered = useAnswered(verdict.open?.id ?? null);
  const router = useRouter();
  useEffect(() => {
    if (answered) router.replace(`/verdict?show=${answered}`);
  }, [answered, router]);
  if (shown && shown.state !== 'open') return <AnswerPage view={view} shown={shown} />;
  if (verdict.open)
    return <RideGuide key={verdict.open.id} view={view} open={verdict.open} spread={verdict.spread} />;
  if (ask) return <PlanForm key={ask} view={view} verdict={verdict} question={ask} of={of} />;
  return <AskStart view={view} verdict={verdict} />;
}
