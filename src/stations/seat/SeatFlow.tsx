'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState, type ComponentType } from 'react';
import { Notices } from '@/ui/notices';
import { tone } from '@/live/voice';
import { useAnswerButtons } from '@/live/answerButtons';
import type { BookView } from '@/book/model/bookView';
import type { VerdictView } from '@/book/model/experimentView';
import { openDevice, useLiveRig } from '@/live/liveRig';
import { useOwnCombination } from '@/live/ownCombination';
import { provable } from '@/live/proofSession';
import { SeatScreen } from './SeatScreen';
import { SimulatedSeat } from './SimulatedSeat';
import type { SeatAnswers, TaskProps } from './task';
import { endOf, stepsAmong, TASK_VIEWS, tasksFor, type SeatWish } from './tasks';

/** Raw counts of each measured pedal when it is let go. */
function releasedEnds(axes: BookView['axes']): SeatAnswers['released'] {
  return Object.fromEntries(
    axes.flatMap(({ axis, capture }) =>
      capture && 'calibration' in capture.analysis ? [[axis, capture.analysis.calibration.released]] : [],
    ),
  );
}

/** Everything of Ready and Axes from the seat, one thing at a time, without keyboard or mouse. */
export function SeatFlow({
  view,
  verdict,
  wish,
}: {
  view: BookView;
  verdict: VerdictView | null;
  wish: SeatWish;
}) {
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
        title="Press any pedal, or pull a paddle"
        how="The browser shows a wheel or pedal set only after something on it has moved."
        done={0}
        of={1}
      />
    );
  return (
    <>
      <Tasks key={source.info.id} view={view} verdict={verdict} wish={wish} />
      {simulated && <SimulatedSeat rig={simulated} />}
      <Notices />
    </>
  );
}

function Tasks({ view, verdict, wish }: { view: BookView; verdict: VerdictView | null; wish: SeatWish }) {
  const router = useRouter();
  const { source, simulated } = useLiveRig();
  const buttons = useAnswerButtons(source, view.rig.spec.rim.buttons);
  const taught = { ...buttons, released: releasedEnds(view.axes) };
  const [tasks] = useState(() =>
    tasksFor(view, wish, simulated !== null || taught.buttons.yes !== null || taught.buttons.no !== null),
  );
  const [at, setAt] = useState(0);
  const task = tasks[at]!;
  const done = stepsAmong(tasks.slice(0, at));
  const shared: TaskProps = {
    view,
    verdict,
    taught,
    end: endOf(view, wish),
    place: { done, of: stepsAmong(tasks) },
    onDone() {
      tone('done');
      setAt((now) => {
        const next = now + 1;
        // Without a single measured axis there is nothing to prove.
        return tasks[next]?.kind === 'proof' && provable(view.axes).items.length === 0 ? next + 1 : next;
      });
    },
    onLeave: (to) => router.push(to),
  };
  // Each kind comes with what its view asks for: the type of a task says so kind by kind.
  const View = TASK_VIEWS[task.kind] as ComponentType<TaskProps>;
  return <View key={at} {...task} {...shared} />;
}
