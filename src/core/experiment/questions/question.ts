import type { z } from 'zod';
import type { RideMeasures } from '../../rides/measureRide';
import type { MeasureName } from '../../rides/measures';
import type { Road } from '../../rides/road';
import type { SettingValue, SettingValues } from '../../settings/setting';
import type { StretchKind } from '../../driving/stretch';
import type { Wish } from '../finder/answers';
import type { Best } from '../finder/findBest';
import type { Dimension } from '../pairedRatings';
import type { Range, Side, Way } from '../planParts';
import type { PairOrder } from '../randomizedOrders';
import type { Answer, Trial } from '../trial';

/**
 * What a question of Verdict is: its plan, what comes next, what came of it. Each is a file beside this one and a line of
 * `../questions.ts`; whoever needs to know something of a question asks there and never branches on its name.
 */
export interface QuestionRules<P, A> {
  readonly schema: z.ZodType<P, P>;
  /** Who may drive, the usual one first. */
  readonly ways: readonly Way[];
  /** What its driver chooses of a setting: two values, how far it is searched, how far several are, or nothing. */
  readonly chooses: 'sides' | 'range' | 'ranges' | 'nothing';
  /** Nobody who drives may know what is loaded: the orders are sealed, and nothing is told before the end. */
  readonly isBlind: boolean;
  /** Asked to learn something of a setting or of oneself: nothing is kept or put back afterwards. */
  readonly isToLearn: boolean;
  /** Its laps are compared: it can be looked at before its end, broken off, and ridden on after it. */
  readonly isCompared: boolean;
  /** What a ride is driven with follows from what was said before, and is booked with it. */
  readonly isLed: boolean;
  /** Its answer may tell what a driver just notices of a setting. */
  readonly tellsNoticed: boolean;
  /** What was chosen, as a plan. */
  plan(chosen: Chosen): P;
  /** Settings that it is about, as `layer/axis/field`. */
  settings(plan: P): string[];
  /** Every set of values that it may ask for. */
  sides(plan: P): Side[];
  /** Two sides whose difference has to be felt for it to be worth asking; one for each setting that is moved by itself. */
  ends(plan: P): { a: Side; b: Side }[];
  /** Pairs whose orders are drawn when it is asked; `null` where nothing is driven in pairs. */
  pairs(plan: P): number | null;
  /** Rides that it takes; `null` where nobody knows beforehand. */
  rides(plan: P): number | null;
  /** What is to be done next. A ride that went wrong is driven again; nothing is asked twice. */
  next(course: Course, plan: P): Step;
  /** Both values of the pair that is driven now, whichever comes first; `null` where nothing is driven in pairs. */
  pairNow(course: Course, plan: P): { a: Side; b: Side } | null;
  /** Whether it tells something all the same when it is broken off. @param done rides that count so far, and what was said */
  tellsWhenBroken(done: { ridden: number; answers: readonly Answer[] }): boolean;
  answer(facts: AnswerFacts, plan: P): A;
  /** What is set from now on: kept is what it found. `null` where that is what was there before. */
  kept(done: Done, plan: P): Side | null;
  /** Of one setting: values that were driven, and where its best is believed to lie. */
  known(answer: A, plan: P, key: string): Known;
}

/** Trials and answers of a question. */
export interface Done {
  trials: readonly Trial[];
  answers: readonly Answer[];
}

/** What an experiment has come to. */
export interface Course extends Done {
  /** Of the pairs; of a blind test only the server knows them before the last answer. */
  orders: readonly PairOrder[];
}

/** What is to be done next. */
export type Step =
  /** Ride: at most so many of them, `null` where that is not known; with these values, one side of a pair. */
  | {
      kind: 'ride';
      place: number;
      of: number | null;
      values: Record<string, SettingValue | null>;
      side: 'A' | 'B' | null;
    }
  /** Say: which of the last two was B, was better, had more of the setting; or how the last ride felt, against the one before where there is one. */
  | { kind: 'answer'; ask: 'which' | 'better' | 'more' | 'feel'; place: number; isFirst: boolean }
  | { kind: 'over' };

/** A ride as an experiment looks at it. */
export interface ExperimentRide {
  id: string;
  road: Road;
  measures: RideMeasures;
}

/** What a question is answered with. */
export interface AnswerFacts extends Course {
  rides: ReadonlyMap<string, ExperimentRide>;
  /** Logs that came in since it was asked, and belong to none of its rides. */
  strayLogs: number;
  isOpen: boolean;
  /** Somebody looked before the planned end. */
  isLooked: boolean;
  /** Pairs were added after it. */
  isExtended: boolean;
  commitmentHolds: boolean | null;
}

export interface Known {
  tried: { value: number; wants: Wish | null }[];
  best: Best | null;
}

/** What a driver chose; each question takes of it what it needs. */
export interface Chosen {
  key: string;
  /** All that the menu offers of it. */
  menu: Pick<Range, 'min' | 'max' | 'step'>;
  /** What it is set to now. */
  value: number;
  sides: { a: number; b: number };
  /** How far it is tried, or searched; several where several are searched at once. */
  ranges: [Range, ...Range[]];
  way: Way;
  pairs: number;
  lapsPerRide: number;
  /** A few seconds of road instead of laps. */
  stretch: StretchKind | null;
  named: MeasureName | null;
  dimension: Dimension | null;
  seed: number;
}

/** What was there before, of some settings. */
export const before = (basis: SettingValues, keys: readonly string[]): Side =>
  Object.fromEntries(keys.map((key) => [key, basis[key] ?? null]));

/** Only where a short ride was chosen. */
export const short = ({ stretch }: Pick<Chosen, 'stretch'>) => (stretch ? { stretch } : {});

/** Each range at its least and at its most. */
export const endsOf = (ranges: readonly Range[]): { a: Side; b: Side }[] =>
  ranges.map(({ key, min, max }) => ({ a: { [key]: min }, b: { [key]: max } }));
