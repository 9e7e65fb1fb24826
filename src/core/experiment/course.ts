import type { SettingValue } from '../settings/setting';
import { bettingScore, type BlindPair, type BlindQuestion } from './bettingScore';
import { sidesOf, type PairOrder } from './randomizedOrders';
import type { FinderRide } from './finder/answers';
import { findBest } from './finder/findBest';
import { jndFrom, sidesApart } from './jndStaircase';
import {
  isPairPlan,
  type Answer,
  type BestPlan,
  type ExperimentPlan,
  type JndPlan,
  type PairPlan,
  type Side,
  type Trial,
} from './plan';

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

/** What an experiment has come to. */
export interface Course {
  plan: ExperimentPlan;
  /** Of the pairs; of a blind test only the server knows them before the last answer. */
  orders: readonly PairOrder[];
  trials: readonly Trial[];
  answers: readonly Answer[];
}

/** The rides that count, in order: the last word on each place is what holds. */
export const ridden = (trials: readonly Trial[]): Trial[] =>
  trials.filter(({ outcome }) => outcome === 'ridden').toSorted((a, b) => a.place - b.place);

/** What comes next. A ride that went wrong is driven again; nothing is asked twice. */
export function nextStep(course: Course): Step {
  const { plan } = course;
  if (isPairPlan(plan))
    return plan.question === 'change' ? nextOfChange(course, plan) : nextOfBlind(course, plan);
  if (plan.question === 'jnd') return nextOfJnd(course, plan);
  return plan.question === 'best' ? nextOfSearch(course, plan) : nextOfExplore(course, plan);
}

/** Both values of the pair that is driven now, whichever comes first; `null` where nothing is driven in pairs. */
export function pairedSides(course: Course): { a: Side; b: Side } | null {
  const { plan } = course;
  if (isPairPlan(plan)) return { a: plan.a, b: plan.b };
  if (plan.question !== 'jnd') return null;
  const { next } = jndFrom(plan, course.orders, course.answers);
  return next === null ? null : sidesApart(plan, next);
}

function nextOfJnd(course: Course, plan: JndPlan): Step {
  const place = ridden(course.trials).length;
  const answered = course.answers.length;
  if (place === 2 * (answered + 1))
    return { kind: 'answer', ask: 'more', place: answered, isFirst: answered === 0 };
  const { next } = jndFrom(plan, course.orders, course.answers);
  if (next === null) return { kind: 'over' };
  const side = sidesOf(course.orders)[place]!;
  const { a, b } = sidesApart(plan, next);
  return { kind: 'ride', place, of: null, values: side === 'A' ? a : b, side };
}

function rideOfPair({ orders }: Course, plan: PairPlan, place: number): Step {
  const side = sidesOf(orders)[place]!;
  return { kind: 'ride', place, of: 2 * plan.pairs, values: side === 'A' ? plan.a : plan.b, side };
}

function nextOfChange(course: Course, plan: PairPlan): Step {
  const place = ridden(course.trials).length;
  return place >= 2 * plan.pairs ? { kind: 'over' } : rideOfPair(course, plan, place);
}

function nextOfBlind(course: Course, plan: PairPlan): Step {
  const place = ridden(course.trials).length;
  const answered = course.answers.length;
  if (place === 2 * (answered + 1))
    return {
      kind: 'answer',
      ask: plan.question === 'discriminate' ? 'which' : 'better',
      place: answered,
      isFirst: answered === 0,
    };
  const { verdict } = bettingScore(questionOf(plan), blindPairs(course));
  const isOver = verdict !== 'open' || answered >= plan.pairs;
  return isOver && place === 2 * answered ? { kind: 'over' } : rideOfPair(course, plan, place);
}

export const questionOf = ({ question }: PairPlan): BlindQuestion =>
  question === 'discriminate' ? 'which' : 'better';

/** The answered pairs as they are scored. */
export function blindPairs({ orders, answers }: Pick<Course, 'orders' | 'answers'>): BlindPair[] {
  return inOrder(answers).flatMap(({ place, said }): BlindPair[] => {
    const order = orders[place];
    if (said.kind !== 'pair' || !order) return [];
    return [{ order, answer: said.noticed ? 'none' : said.answer, sure: said.sure }];
  });
}

const inOrder = (answers: readonly Answer[]) => answers.toSorted((a, b) => a.place - b.place);

function nextOfSearch(course: Course, plan: BestPlan): Step {
  const place = ridden(course.trials).length;
  if (course.answers.length < place)
    return { kind: 'answer', ask: 'feel', place: place - 1, isFirst: place === 1 };
  const { next } = findBest(plan.settings, searchedRides(course), plan.seed);
  return next ? { kind: 'ride', place, of: null, values: next, side: null } : { kind: 'over' };
}

/** The rides of a search with what was said of them, in order. */
export function searchedRides({ trials, answers }: Pick<Course, 'trials' | 'answers'>): FinderRide[] {
  return ridden(trials).flatMap(({ place, values }): FinderRide[] => {
    const said = answers.find((answer) => answer.place === place)?.said;
    if (!values || said?.kind !== 'feel') return [];
    return [{ values, better: place === 0 ? null : said.better, wants: said.wants }];
  });
}

/** Places of the rides before which firmware or the version of the title changed. */
export function softwareChangedAt(trials: readonly Trial[]): number[] {
  const driven = ridden(trials);
  return driven.flatMap(({ place, software }, i) =>
    i > 0 && driven[i - 1]!.software !== software ? [place] : [],
  );
}

/** Pairs in the middle of which it changed: they compare two things at once. */
export const splitPairs = (trials: readonly Trial[]): number[] =>
  softwareChangedAt(trials).flatMap((place) => (place % 2 === 1 ? [place >> 1] : []));

const EXPLORE_RIDES = 3;

function nextOfExplore(
  { trials, answers }: Course,
  plan: Extract<ExperimentPlan, { question: 'explore' }>,
): Step {
  const place = ridden(trials).length;
  const { setting, back } = plan;
  if (plan.way !== 'simulated' && answers.length < place)
    return { kind: 'answer', ask: 'feel', place: place - 1, isFirst: place === 1 };
  if (place >= EXPLORE_RIDES) return { kind: 'over' };
  const values = { [setting.key]: [setting.min, setting.max, back][place]! };
  return { kind: 'ride', place, of: EXPLORE_RIDES, values, side: null };
}
