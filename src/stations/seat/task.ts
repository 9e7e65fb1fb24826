import { axesOf } from '@/core/rig/rigSpec';
import type { AxisName } from '@/core/axes/recording';
import type { TaughtButtons } from '@/live/answerButtons';
import type { BookView } from '@/book/model/bookView';

/** One thing that is done in the seat, with what it is about. */
export type SeatTask =
  | { kind: 'teach' | 'ready' | 'proof' | 'card' | 'least' | 'done' }
  | { kind: 'capture'; axis: AxisName }
  | { kind: 'advise'; axis: AxisName; before: string | null };

/** What one comes to the seat for, and the tasks of it in their order. */
const GOES = {
  all: (view) => [{ kind: 'ready' }, ...captures(view), { kind: 'proof' }],
  ready: () => [{ kind: 'ready' }],
  axes: (view) => [...captures(view), { kind: 'proof' }],
  check: () => [{ kind: 'proof' }],
  card: () => [{ kind: 'card' }],
  least: () => [{ kind: 'least' }],
} satisfies Record<string, (view: BookView) => SeatTask[]>;

export type SeatWish = keyof typeof GOES;

/** What an address asks for; everything where it asks for nothing that there is. */
export function wishOf(asked: string | undefined): SeatWish {
  return asked !== undefined && Object.hasOwn(GOES, asked) ? (asked as SeatWish) : 'all';
}

/** @param isTaught whether it is known which buttons mean yes and no */
export function tasksFor(view: BookView, wish: SeatWish, isTaught: boolean): SeatTask[] {
  return [...(isTaught ? [] : [{ kind: 'teach' } as const]), ...GOES[wish](view), { kind: 'done' }];
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

/** What every task gets: the book, the device, the taught buttons, its place in the go, and how to end. */
export interface TaskProps {
  view: BookView;
  taught: TaughtButtons;
  place: { done: number; of: number };
  wish: SeatWish;
  onDone(): void;
  /** Ends the go and opens a page. */
  onLeave(to: string): void;
}
