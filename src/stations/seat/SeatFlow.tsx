'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { axesOf } from '@/core/rig/rigSpec';
import { Notices } from '@/ui/notices';
import { tone } from '@/live/voice';
import { useAnswerButtons } from '@/live/answerButtons';
import type { BookView } from '@/book/model/bookView';
import { openDevice, useLiveRig } from '@/live/liveRig';
import { useOwnCombination } from '@/live/ownCombination';
import { provable } from '@/live/proofSession';
import { AdviseTask } from './AdviseTask';
import { CaptureTask } from './CaptureTask';
import { CardTask } from './CardTask';
import { DoneTask } from './DoneTask';
import { LeastForceTask } from './LeastForceTask';
import { ProofTask } from './ProofTask';
import { ReadyTask } from './ReadyTask';
import { SeatScreen } from './SeatScreen';
import { SimulatedSeat } from './SimulatedSeat';
import { TeachTask } from './TeachTask';
import type { SeatWish, SeatTask, TaskProps } from './task';

function tasksFor(view: BookView, wish: SeatWish, isTaught: boolean): SeatTask[] {
  const captures = axesOf(view.rig.spec).flatMap((axis): SeatTask[] => [
    { kind: 'capture', axis },
    { kind: 'advise', axis, before: view.axes.find((a) => a.axis === axis)?.capture?.id ?? null },
  ]);
  const wanted: Record<SeatWish, SeatTask[]> = {
    all: [{ kind: 'ready' }, ...captures, { kind: 'proof' }],
    ready: [{ kind: 'ready' }],
    axes: [...captures, { kind: 'proof' }],
    check: [{ kind: 'proof' }],
    card: [{ kind: 'card' }],
    least: [{ kind: 'least' }],
  };
  return [...(isTaught ? [] : [{ kind: 'teach' } as const]), ...wanted[wish], { kind: 'done' }];
}

/** Everything of Ready and Axes from the seat, one thing at a time, without keyboard or mouse. */
export function SeatFlow({ view, wish }: { view: BookView; wish: SeatWish }) {
  const { source, simulated, state } = useLiveRig();
  useOwnCombination(view.combination);
  const device = JSON.stringify(view.rig.spec.device);
  useEffect(
    () => openDevice(JSON.parse(device) as BookView['rig']['spec']['device'], view.combination.driver),
    [device, view.combination.driver],
  );
  if (!source || state === 'waiting')
    return (
      <SeatScreen
        title="Press any pedal"
        how="The browser shows a wheel or pedal set only after something on it has moved."
        done={0}
        of={1}
      />
    );
  return (
    <>
      <Tasks key={source.info.id} view={view} wish={wish} />
      {simulated && <SimulatedSeat rig={simulated} />}
      <Notices />
    </>
  );
}

function Tasks({ view, wish }: { view: BookView; wish: SeatWish }) {
  const router = useRouter();
  const { source, simulated } = useLiveRig();
  const taught = useAnswerButtons(source);
  const [tasks] = useState(() =>
    tasksFor(view, wish, simulated !== null || taught.buttons.yes !== null || taught.buttons.no !== null),
  );
  const [at, setAt] = useState(0);
  const task = tasks[at]!;
  const steps = tasks.filter((t) => t.kind !== 'advise' && t.kind !== 'done');
  const done = tasks.slice(0, at).filter((t) => t.kind !== 'advise').length;
  const shared: TaskProps = {
    view,
    taught,
    place: { done, of: steps.length },
    onDone() {
      tone('done');
      setAt((now) => {
        const next = now + 1;
        // Without a single measured axis there is nothing to prove.
        return tasks[next]?.kind === 'proof' && provable(view.axes).items.length === 0 ? next + 1 : next;
      });
    },
  };
  const key = `${at}`;
  switch (task.kind) {
    case 'teach':
      return <TeachTask key={key} {...shared} />;
    case 'ready':
      return <ReadyTask key={key} {...shared} />;
    case 'capture':
      return <CaptureTask key={key} {...shared} axis={task.axis} />;
    case 'advise':
      return <AdviseTask key={key} {...shared} axis={task.axis} before={task.before} />;
    case 'proof':
      return <ProofTask key={key} {...shared} />;
    case 'card':
      return <CardTask key={key} {...shared} />;
    case 'least':
      return <LeastForceTask key={key} {...shared} />;
    case 'done':
      return <DoneTask key={key} {...shared} wish={wish} onLeave={(to) => router.push(to)} />;
  }
}
