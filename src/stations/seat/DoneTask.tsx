'use client';

import { proofReason } from '@/core/axes/proof';
import { useLiveRig } from '@/live/liveRig';
import { AnswerWords } from './answerWords';
import type { SeatWish, TaskProps } from './task';
import { SeatScreen } from './SeatScreen';
import { useSeatAnswer } from './useSeatAnswer';

/** The end of a go: settled, or the exact reasons why not. */
export function DoneTask({ view, taught, place, wish, onLeave }: TaskProps) {
  const source = useLiveRig((live) => live.source);
  const to = LEAVES_TO[wish] ?? '/axes/check';
  useSeatAnswer(source, taught.meaning, (answer) => answer === 'yes' && onLeave(to));
  const { title, how } = outcome(view, wish);
  return (
    <SeatScreen
      title={title}
      how={how}
      done={place.of}
      of={place.of}
      leaveTo={to}
      answers={<AnswerWords buttons={taught.buttons} yes="leave the seat" no={null} />}
    />
  );
}

const LEAVES_TO: Partial<Record<SeatWish, string>> = { ready: '/ready', card: '/card', least: '/force' };

function outcome({ proof, names, axes, road }: TaskProps['view'], wish: SeatWish) {
  if (wish === 'ready') {
    const ready = road.find((station) => station.id === 'ready')!;
    return { title: ready.health === 'settled' ? 'Ready' : 'Not all of it yet', how: `${ready.reason}.` };
  }
  if (wish === 'card')
    return {
      title: 'The card is typed in',
      how: 'Noted with the versions; when something changes after, the road says so.',
    };
  if (wish === 'least')
    return {
      title: 'That was all',
      how: 'What was kept lies on the trail, and its proof with it.',
    };
  const failed = proof?.results.filter((result) => !result.passed) ?? [];
  if (!proof) return { title: 'Not proved yet', how: 'No axis is measured so far.' };
  if (failed.length > 0)
    return { title: `${failed.length} did not come`, how: failed.map(proofReason).slice(0, 3).join(' ') };
  const missing = axes.filter((axis) => !axis.capture);
  if (missing.length > 0)
    return {
      title: 'What was measured is settled',
      how: `Not measured: ${missing.map((axis) => axis.name.toLowerCase()).join(', ')}.`,
    };
  return {
    title: `The ${names.rig} is settled`,
    how: `${proof.results.length} checks passed, signed. The trail holds what is to be typed into ${names.title}.`,
  };
}
