import type { Wish } from '@/core/experiment/finder/answers';
import type { Best } from '@/core/experiment/finder/findBest';
import type { Noticed } from '@/core/experiment/noticed';
import type { Question } from '@/core/experiment/questions';

/** What one question has to say of one setting. */
export interface KnownRow {
  id: string;
  atMs: number;
  question: Question;
  /** The values that were driven, in order, with what was wished for there. */
  tried: { value: number; wants: Wish | null }[];
  /** Where a search ended. */
  best: Best | null;
  /** Two values against each other; `isShown` is `null` where it was given up. */
  pair: { a: number; b: number; isShown: boolean | null } | null;
  sentence: string;
}

/** All that a driver's questions say of one setting of a title, on one rig. */
export interface SettingKnown {
  key: string;
  /** Oldest first. */
  rows: KnownRow[];
  /** Of the newest search that ended; `null` where none did, or the answers did not follow the setting. */
  best: Best | null;
  isIndifferent: boolean;
  noticed: Noticed | null;
}
