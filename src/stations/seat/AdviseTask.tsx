'use client';

import { openOf } from '@/book/judge/road/axes';
import { useRouter } from 'next/navigation';
import { useEffect, useState, useTransition } from 'react';
import type { AxisName } from '@/core/axes/axes';
import { tone } from '@/live/voice';
import { changeAsked } from '@/core/settings/proposal';
import { applyChange } from '@/book/write/settings';
import { useLiveRig } from '@/live/liveRig';
import { notifyReply } from '@/parts/notifyReply';
import { AnswerWords } from './answerWords';
import type { TaskProps } from './task';
import { SeatScreen } from './SeatScreen';
import { useSeatAnswer } from './useSeatAnswer';

/** A capture that does not reach the page in this time was not kept. */
const ARRIVES_MS = 4000;

/** What the capture recommends, one change at a time: yes books it, no leaves it. */
export function AdviseTask({
  view,
  taught,
  place,
  onDone,
  axis: name,
  before,
}: TaskProps & { axis: AxisName; before: string | null }) {
  const router = useRouter();
  const source = useLiveRig((live) => live.source);
  const [passed, setPassed] = useState<readonly string[]>([]);
  const [isBusy, setBusy] = useState(false);
  const [isLate, setLate] = useState(false);
  const [isRefreshing, startRefresh] = useTransition();
  const axis = view.axes.find((a) => a.axis === name);
  const hasArrived = axis !== undefined && axis.capture !== null && axis.capture.id !== before;
  const next = hasArrived ? openOf(axis).find((r) => !passed.includes(r.parameter)) : undefined;
  useEffect(() => {
    const timer = setTimeout(() => setLate(true), ARRIVES_MS);
    return () => clearTimeout(timer);
  }, []);
  // What comes next goes by what is set: not before the page knows of it.
  const isOver = hasArrived ? !next && !isBusy && !isRefreshing : isLate;
  useEffect(() => {
    if (isOver) onDone();
  }, [isOver, onDone]);
  const answer = async (said: 'yes' | 'no') => {
    if (!next || isBusy) return;
    setPassed([...passed, next.parameter]);
    if (said === 'no') return tone('fault');
    setBusy(true);
    try {
      if (notifyReply(await applyChange(changeAsked(next, view.settings)))) tone('counted');
      startRefresh(() => router.refresh());
    } finally {
      setBusy(false);
    }
  };
  useSeatAnswer(source, taught, (said) => void answer(said));
  if (!next) return null;
  return (
    <SeatScreen
      title={`${next.label}: ${next.from} → ${next.to}?`}
      how={`${next.evidence} Yes writes it on the trail; type it into ${view.names.title} when you are out of the seat.`}
      done={place.done}
      of={place.of}
      answers={<AnswerWords taught={taught} yes="take it" no="not for me" />}
    />
  );
}
