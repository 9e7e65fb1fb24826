import type { AxisName } from '@/core/axes/axes';
import type { TaughtButtons } from '@/live/answerButtons';
import type { BookView } from '@/book/model/bookView';
import type { VerdictView } from '@/book/model/experimentView';

/** What is said when a go is at its end, and where one leaves to. */
export interface GoEnd {
  title: string;
  how: string;
  leaveTo: string;
}

/** The taught buttons, and where each measured pedal stands when it is let go, raw: what a held one is told by. */
export type SeatAnswers = TaughtButtons & { released: Partial<Record<AxisName, number>> };

/** What every task gets: the book, the device, the taught buttons, its place in the go, and how to end. */
export interface TaskProps {
  view: BookView;
  /** What is asked of settings; `null` in a go that asks nothing. */
  verdict: VerdictView | null;
  taught: SeatAnswers;
  place: { done: number; of: number };
  /** What the end of this go would say now. */
  end: GoEnd;
  onDone(): void;
  /** Ends the go and opens a page. */
  onLeave(to: string): void;
}
