import type { BlindScore } from '@/core/experiment/bettingScore';
import type { PairOrder } from '@/core/experiment/randomizedOrders';
import type { RidesCompared } from '@/core/experiment/compareRides';
import type { FinderRide, Wish } from '@/core/experiment/finder/answers';
import type { FinderAnswer } from '@/core/experiment/finder/findBest';
import type { JndPair } from '@/core/experiment/jndStaircase';
import type { JustNoticeable } from '@/core/experiment/justNoticeable';
import type {
  Answer,
  Decision,
  ExperimentPlan,
  ExperimentState,
  Question,
  Side,
} from '@/core/experiment/plan';
import type { RatedDimension } from '@/core/experiment/pairedRatings';
import type { Spread } from '@/core/experiment/planRides';
import type { MeasureName, Measured } from '@/core/rides/measures';
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
  | { kind: 'answer'; ask: 'which' | 'better' | 'more' | 'feel'; place: number; isFirst: boolean }
  | { kind: 'over' };

/** Why a ride is not counted. */
export interface LeftOut {
  /** From 1. */
  ride: number;
  why: 'no log' | 'other road' | 'other software';
}

/** What came of a question. */
export type ExperimentAnswer =
  | {
      kind: 'change';
      compared: RidesCompared;
      sides: { ridesA: number; ridesB: number };
      /** Looked at before the planned end, or after it. */
      isEarly: boolean;
      leftOut: LeftOut[];
      /** Logs that belong to no ride of it. */
      strayLogs: number;
      /** The counted rides, in order of driving. */
      rides: { id: string; side: 'A' | 'B'; summary: Measured }[];
    }
  | {
      kind: 'blind';
      score: BlindScore;
      orders: PairOrder[];
      commitmentHolds: boolean | null;
    }
  | {
      kind: 'jnd';
      pairs: JndPair[];
      /** In the title's scale; `next` is not told. */
      told: Omit<JustNoticeable, 'next'>;
      /** Known well enough, or as many pairs were asked as anybody is; else it was broken off. */
      isKnown: boolean;
      orders: PairOrder[];
      commitmentHolds: boolean | null;
    }
  | { kind: 'best'; found: FinderAnswer; rides: FinderRide[] }
  | { kind: 'explore'; rides: { value: number; summary: Measured | null; wants: Wish | null }[] };

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
