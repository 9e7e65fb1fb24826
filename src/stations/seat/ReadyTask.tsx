'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { PREFLIGHT } from '@/catalog/preflight';
import { isSettled, preflight } from '@/core/ready/preflight';
import { tone } from '@/live/voice';
import { useLiveRig } from '@/live/liveRig';
import { tickItem } from '@/book/write/readiness';
import { useLivePreflight } from '@/live/useLivePreflight';
import { notifyReply } from '@/parts/notifyReply';
import { AnswerWords } from './answerWords';
import type { TaskProps } from './task';
import { SeatScreen } from './SeatScreen';
import { useSeatAnswer } from './useSeatAnswer';

/** Pre-flight, one item at a time: yes ticks it, no leaves it for later; what the software sees ticks itself. */
export function ReadyTask({ view, taught, place, onDone }: TaskProps) {
  const router = useRouter();
  const { source, simulated } = useLiveRig();
  const sights = useLivePreflight(view);
  const [left, setLeft] = useState<readonly string[]>([]);
  const [isBusy, setBusy] = useState(false);
  const { title } = view;
  const items = preflight(PREFLIGHT, view.rig.spec, title, view.ready.ticks, view.ready.stamp, sights);
  const item = items.find((state) => !isSettled(state) && !left.includes(state.item.id));
  const id = item?.item.id;
  useEffect(() => {
    if (!id) onDone();
  }, [id, onDone]);
  useEffect(() => {
    if (id !== 'axes-alive' || !simulated) return;
    for (const { axis } of view.axes) simulated.perform(axis, axis === 'gear' ? 'gate:1' : 'sweep');
    return () => {
      for (const { axis } of view.axes) simulated.perform(axis, 'off');
    };
  }, [id, simulated, view.axes]);
  const answer = async (said: 'yes' | 'no') => {
    if (!item || isBusy) return;
    if (said === 'no' || item.state === 'not-so' || item.state === 'waiting') {
      tone('fault');
      setLeft([...left, item.item.id]);
      return;
    }
    setBusy(true);
    try {
      if (notifyReply(await tickItem(item.item.id, true))) tone('counted');
      router.refresh();
    } finally {
      setBusy(false);
    }
  };
  // Moving everything is what this one asks for: a held pedal is no answer then.
  const holds = id !== 'axes-alive';
  useSeatAnswer(source, taught, (said) => void answer(said), holds);
  if (!item) return null;
  const settled = items.filter(isSettled).length;
  const isSeen = item.state === 'not-so' || item.state === 'waiting';
  return (
    <SeatScreen
      title={item.text}
      how={isSeen ? 'It ticks itself as soon as it is so.' : `Protects ${item.item.protects}.`}
      done={place.done}
      of={place.of}
      remark={item.why ? item.why.replace(/^./, (c) => c.toUpperCase()) : `${settled} of ${items.length}`}
      isFault={item.state === 'not-so'}
      answers={<AnswerWords taught={taught} yes={isSeen ? null : 'done'} no="later" holds={holds} />}
    />
  );
}
