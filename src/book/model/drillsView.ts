import type { Expected, Judged } from '@/core/drills/history';
import type { DrillName } from '@/core/drills/measureDrill';
import type { Measures } from '@/core/drills/drill';
import type { FootShown } from '@/core/drills/footPart';
import type { Proposal } from '@/core/settings/proposal';
import type { NextPractice } from '@/core/drills/practice';

/** An attempt of a drill. */
export interface Attempt {
  id: string;
  atMs: number;
  drill: DrillName;
  measures: Measures;
  /** Output at which the foot works; `null` in a drill that has no such place. */
  work: number | null;
}

/** One drill, as this driver has driven it in this car. */
export interface DrillLine {
  name: DrillName;
  attempts: number;
  /** Its leading measure in time order, the newest of them. */
  series: { atMs: number; value: number }[];
  /** What one more attempt is expected to show of it; `null` before there are enough. */
  expected: Expected | null;
  /** The newest attempt, against those before it; `null` before the first. */
  last: { atMs: number; measures: Measures; expected: Expected | null; judged: Judged | null } | null;
  /** What the settings in force make of the foot, from the newest attempt; `null` where no foot decides it. */
  foot: (FootShown & { advice: Proposal | null }) | null;
}

export interface DrillsView {
  lines: DrillLine[];
  next: NextPractice | null;
  /** Whether the open title has the place on which they are driven. */
  hasPlace: boolean;
}
