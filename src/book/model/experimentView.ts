import type { Decision, ExperimentState } from '@/core/experiment/plan';
import type { Side } from '@/core/experiment/planParts';
import type { ExperimentAnswer, ExperimentPlan, Question } from '@/core/experiment/questions';
import type { Step } from '@/core/experiment/questions/question';
import type { RatedDimension } from '@/core/experiment/pairedRatings';
import type { Spread } from '@/core/experiment/planRides';
import type { Answer } from '@/core/experiment/trial';
import type { MeasureName } from '@/core/rides/measures';
import type { SettingValue } from '@/core/settings/setting';

/** What is to be done next, as the page may know it: of a blind test not what is loaded. */
export type ShownStep =
  | {
      kind: 'ride';
      place: number;
      /** `null` where nobody knows how many it will take. */
      of: number | null;
      values: Record<string, SettingValue | null> | null;
      side: 'A' | 'B' | null;
      /** Of a test with a helper: whether they said that this ride is loaded. */
      isLoaded: boolean;
      /** Both values of a pair, whichever comes first. */
      pair: { a: Side; b: Side } | null;
    }
  | Exclude<Step, { kind: 'ride' }>;

export interface ExperimentView {
  id: string;
  atMs: number;
  question: Question;
  asked: ExperimentPlan;
  trackId: string;
  state: ExperimentState;
  decision: Decision | null;
  step: ShownStep;
  /** Rides that count so far. */
  ridden: number;
  /** Rides that went wrong. */
  lost: number;
  commitment: string | null;
  salt: string | null;
  /** What was said so far; an answer does not tell the order. */
  answers: Answer[];
  /** The last ride that counts and whose feel was not rated yet; `null` where all are. */
  unrated: number | null;
  /** Ratings of whole pairs; empty while it may not be told which side was which. */
  rated: RatedDimension[];
  /** `null` while it may not be told. */
  answer: ExperimentAnswer | null;
  /** The rides, counted from 1, before which firmware or the version of the title changed. */
  softwareChanged: number[];
  /** Settings beside those that are asked about which are no longer what they were. */
  elsewhere: string[];
}

/** A question that was asked before, in a list. */
export interface ExperimentLine {
  id: string;
  atMs: number;
  question: Question;
  settings: string[];
  state: ExperimentState;
  decision: Decision | null;
  sentence: string;
}

/** What Verdict's first page knows of this driver on this road. */
export interface OwnSpread {
  /** Rides that it was read from. */
  rides: number;
  lapS: number | null;
  of: Partial<Record<MeasureName, Spread>>;
}

export interface VerdictView {
  open: ExperimentView | null;
  past: ExperimentLine[];
  spread: OwnSpread;
  /** The newest changes in force, the newest first. */
  recent: RecentChange[];
  /** What A and B on the trail say, where both are marked. */
  pair: string | null;
  /** Rides of the demo’s evening that are still being driven; `null` elsewhere, and once they are. */
  filling: { done: number; of: number } | null;
}

/** The question that is under way here, or the last one where nothing was decided yet, as the road shows it. */
export interface Asking {
  question: Question;
  isOpen: boolean;
  ridden: number;
  of: number | null;
}

/** A change in force whose before and after can be asked about. */
export interface RecentChange {
  id: string;
  what: string;
  key: string;
  from: SettingValue | null;
  to: SettingValue | null;
}

/** What the helper of a blind test sees. */
export interface HelperView {
  id: string;
  /** `null` while the driver answers. */
  step: {
    place: number;
    /** What they said is loaded. */
    said: 'neutral' | 'ride' | null;
    /** What is loaded first, and what the ride is driven with. */
    values: { name: string; neutral: string; value: string }[];
    cautions: string[];
  } | null;
}
