import type { ComponentType } from 'react';
import { axesOf } from '@/core/rig/rigSpec';
import type { BookView } from '@/book/model/bookView';
import { AdviseTask } from './AdviseTask';
import { BaseTask } from './BaseTask';
import { CaptureTask } from './CaptureTask';
import { CardTask } from './CardTask';
import { DoneTask } from './DoneTask';
import { provedOrNot, readyOrNot } from './ends';
import { MinimumForceTask } from './MinimumForceTask';
import { ProofTask } from './ProofTask';
import { ReadyTask } from './ReadyTask';
import type { GoEnd, TaskProps } from './task';
import { TeachTask } from './TeachTask';
import { TestRunTask } from './TestRunTask';
import { VerdictTask } from './VerdictTask';

/** What draws a task of each kind. A new kind is its view, an entry here, and its place in a go below. */
export const TASK_VIEWS = {
  teach: TeachTask,
  ready: ReadyTask,
  capture: CaptureTask,
  advise: AdviseTask,
  proof: ProofTask,
  card: CardTask,
  'minimum-force': MinimumForceTask,
  base: BaseTask,
  verdict: VerdictTask,
  'test-run': TestRunTask,
  done: DoneTask,
};

type About<V> = V extends ComponentType<infer P> ? Omit<P, keyof TaskProps> : never;

/** One thing that is done in the seat, with what its view has to be told about it. */
export type SeatTask = {
  [K in keyof typeof TASK_VIEWS]: { kind: K } & About<(typeof TASK_VIEWS)[K]>;
}[keyof typeof TASK_VIEWS];

/** What one comes to the seat for: its tasks in their order, and what is said at its end. */
interface Go {
  tasks(view: BookView): SeatTask[];
  end(view: BookView): GoEnd;
}

const GOES = {
  all: { tasks: (view) => [{ kind: 'ready' }, ...captures(view), { kind: 'proof' }], end: provedOrNot },
  ready: { tasks: () => [{ kind: 'ready' }], end: readyOrNot },
  axes: { tasks: (view) => [...captures(view), { kind: 'proof' }], end: provedOrNot },
  check: { tasks: () => [{ kind: 'proof' }], end: provedOrNot },
  card: {
    tasks: () => [{ kind: 'card' }],
    end: () => ({
      title: 'The card is typed in',
      how: 'Noted with the versions; when something changes after, the road says so.',
      leaveTo: '/card',
    }),
  },
  'minimum-force': {
    tasks: () => [{ kind: 'minimum-force' }],
    end: () => ({
      title: 'That was all',
      how: 'What was kept lies on the trail, and its proof with it.',
      leaveTo: '/force',
    }),
  },
  base: {
    tasks: () => [{ kind: 'base' }],
    end: (view) => ({
      title: 'That was all',
      how:
        view.rig.spec.base.measured.length > 0
          ? 'What was kept stands under Base, with what it changes.'
          : 'Nothing was kept of the base.',
      leaveTo: '/base',
    }),
  },
  verdict: {
    tasks: () => [{ kind: 'verdict' }],
    end: () => ({
      title: 'That was all',
      how: 'What was asked and answered stands under Verdict; what was kept lies on the trail.',
      leaveTo: '/verdict',
    }),
  },
  'test-run': {
    tasks: () => [{ kind: 'test-run' }],
    end: () => ({ title: 'That was all', how: 'What you said stands under Test run.', leaveTo: '/test-run' }),
  },
} satisfies Record<string, Go>;

export type SeatWish = keyof typeof GOES;

/** What an address asks for; everything where it asks for nothing that there is. */
export function wishOf(asked: string | undefined): SeatWish {
  return asked !== undefined && Object.hasOwn(GOES, asked) ? (asked as SeatWish) : 'all';
}

/** @param isTaught whether it is known which buttons mean yes and no */
export function tasksFor(view: BookView, wish: SeatWish, isTaught: boolean): SeatTask[] {
  return [...(isTaught ? [] : [{ kind: 'teach' } as const]), ...GOES[wish].tasks(view), { kind: 'done' }];
}

export function endOf(view: BookView, wish: SeatWish): GoEnd {
  return GOES[wish].end(view);
}

function captures(view: BookView): SeatTask[] {
  return axesOf(view.rig.spec).flatMap((axis): SeatTask[] => [
    { kind: 'capture', axis },
    { kind: 'advise', axis, before: view.axes.find((a) => a.axis === axis)?.capture?.id ?? null },
  ]);
}

/** Steps that a driver counts: advice belongs to what it is about, and the end is none. */
export function stepsAmong(tasks: readonly SeatTask[]): number {
  return tasks.filter(({ kind }) => kind !== 'advise' && kind !== 'done').length;
}
