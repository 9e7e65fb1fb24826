import type { TaughtButtons } from '@/live/answerButtons';
import type { BookView } from '@/book/model/bookView';

export type SeatWish = 'all' | 'ready' | 'axes' | 'check' | 'card' | 'least';

export type SeatTask =
  | { kind: 'teach' }
  | { kind: 'ready' }
  | { kind: 'capture'; axis: BookView['axes'][number]['axis'] }
  | { kind: 'advise'; axis: BookView['axes'][number]['axis']; before: string | null }
  | { kind: 'proof' }
  | { kind: 'card' }
  | { kind: 'least' }
  | { kind: 'done' };

/** What every task gets: the book, the device, the taught buttons, its place in the go, and how to end. */
export interface TaskProps {
  view: BookView;
  taught: TaughtButtons;
  place: { done: number; of: number };
  onDone(): void;
}
