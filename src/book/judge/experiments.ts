import { bettingScore } from '@/core/experiment/bettingScore';
import { sidesOf, type PairOrder } from '@/core/experiment/randomizedOrders';
import { compareRides } from '@/core/experiment/compareRides';
import {
  blindPairs,
  nextStep,
  pairedSides,
  questionOf,
  ridden,
  searchedRides,
  softwareChangedAt,
  splitPairs,
  type Course,
} from '@/core/experiment/course';
import { jndStaircase, jndFrom } from '@/core/experiment/jndStaircase';
import { findBest } from '@/core/experiment/finder/findBest';
import { AT_END, levelPerLook, RIDDEN_ON } from '@/core/experiment/alphaSpending';
import { matchLogs } from '@/core/experiment/matchLogs';
import {
  isBlind,
  isPairPlan,
  settingsOf,
  type BestPlan,
  type Experiment,
  type JndPlan,
  type PairPlan,
  type ExplorePlan,
} from '@/core/experiment/plan';
import { pairedRatings, type RatedDimension } from '@/core/experiment/pairedRatings';
import { spreadOf } from '@/core/experiment/planRides';
import { mean } from '@/core/numeric/moments';
import { countedValues, type RideMeasures } from '@/core/rides/measureRide';
import { MEASURES } from '@/core/rides/measures';
import { isSameRoad, type Road } from '@/core/rides/road';
import { changedBetween, type SettingValues } from '@/core/settings/setting';
import type {
  ExperimentAnswer,
  ExperimentView,
  LeftOut,
  OwnSpread,
  ShownStep,
} from '../model/experimentView';

/** A ride as an experiment looks at it. */
export interface ExperimentRide {
  id: string;
  road: Road;
  measures: RideMeasures;
}

/** What an experiment is judged with. */
export interface ExperimentFacts {
  experiment: Experiment;
  /** Of a blind test under way, else what its plan says. */
  orders: readonly PairOrder[];
  rides: ReadonlyMap<string, ExperimentRide>;
  /** Logs that came in since it was asked, and belong to none of its rides. */
  strayLogs: number;
  /** Settings in force now. */
  settings: SettingValues;
  /** Whether the helper said that the ride at this place is loaded. */
  isLoaded(place: number): boolean;
  commitmentHolds: boolean | null;
}

const courseOf = ({ experiment, orders }: Pick<ExperimentFacts, 'experiment' | 'orders'>): Course => ({
  plan: experiment.plan.asked,
  orders,
  trials: experiment.trials,
  answers: experiment.answers,
});

/** An experiment as its page shows it: nothing of a blind test that is not over tells its order. */
export function experimentView(facts: ExperimentFacts): ExperimentView {
  const { experiment, settings } = facts;
  const { id, atMs, trackId, plan, state, decision, trials } = experiment;
  const { asked } = plan;
  const isOpen = state === 'open';
  return {
    id,
    atMs,
    question: asked.question,
    asked,
    trackId,
    state,
    decision,
    step: isOpen ? shownStep(facts) : { kind: 'over' },
    ridden: ridden(trials).length,
    lost: trials.filter(({ outcome }) => outcome !== 'ridden').length,
    commitment: plan.commitment,
    salt: plan.salt,
    answers: experiment.answers,
    unrated: lastUnrated(experiment),
    rated: isKeptBack(experiment) ? [] : ratedPairs(facts),
    answer: isKeptBack(experiment) ? null : answerOf(facts),
    softwareChanged: softwareChangedAt(trials).map((place) => place + 1),
    elsewhere: isOpen ? changedElsewhere(experiment, settings) : [],
  };
}

function lastUnrated({ trials, ratings }: Experiment): number | null {
  const last = ridden(trials).at(-1)?.place;
  return last === undefined || ratings.some(({ place }) => place === last) ? null : last;
}

/** B against A in each pair of which both rides were rated. */
function ratedPairs({ experiment, orders }: ExperimentFacts): RatedDimension[] {
  const { asked } = experiment.plan;
  if (!isPairPlan(asked)) return [];
  const of = (place: number) => experiment.ratings.find((rated) => rated.place === place)?.of;
  const pairs = orders.flatMap((order, k) => {
    const [first, second] = [of(2 * k), of(2 * k + 1)];
    if (!first || !second) return [];
    return [order === 'AB' ? { a: first, b: second } : { a: second, b: first }];
  });
  return pairedRatings(pairs, asked.dimension);
}

/** Before the end nothing is told of a blind test, and of a comparison nothing that nobody asked to look at. */
export const isKeptBack = ({ state, plan: { asked, isLooked, isExtended } }: Experiment) =>
  state === 'open' && (isBlind(asked) || (asked.question === 'change' && !isLooked && !isExtended));

function shownStep(facts: ExperimentFacts): ShownStep {
  const step = nextStep(courseOf(facts));
  if (step.kind !== 'ride') return step;
  const pair = pairedSides(courseOf(facts));
  if (!isBlind(facts.experiment.plan.asked)) return { ...step, isLoaded: true, pair };
  return { ...step, of: null, values: null, side: null, isLoaded: facts.isLoaded(step.place), pair };
}

/** What was set otherwise since the question was asked, beside what it is about. */
export function changedElsewhere({ plan }: Experiment, settings: SettingValues): string[] {
  const own = settingsOf(plan.asked);
  return changedBetween(plan.basis, settings).filter((key) => !own.includes(key));
}

function answerOf(facts: ExperimentFacts): ExperimentAnswer {
  const { asked } = facts.experiment.plan;
  if (isPairPlan(asked))
    return asked.question === 'change' ? changeAnswer(facts, asked) : blindAnswer(facts, asked);
  if (asked.question === 'jnd') return jndAnswer(facts, asked);
  return asked.question === 'best' ? bestAnswer(facts, asked) : exploreAnswer(facts, asked);
}

function changeAnswer(
  { experiment, orders, rides, strayLogs }: ExperimentFacts,
  plan: PairPlan,
): ExperimentAnswer {
  const sides = sidesOf(orders);
  const driven = ridden(experiment.trials).map(({ place, rideId }) => ({
    place,
    side: sides[place]!,
    ride: rideId === null ? null : (rides.get(rideId) ?? null),
  }));
  const road = driven.find(({ ride }) => ride)?.ride?.road;
  const split = splitPairs(experiment.trials);
  const whyNot = ({ place, ride }: (typeof driven)[number]): LeftOut['why'] | null =>
    ride === null
      ? 'no log'
      : !isSameRoad(ride.road, road!)
        ? 'other road'
        : split.includes(place >> 1)
          ? 'other software'
          : null;
  const { isLooked, isExtended } = experiment.plan;
  // A look comes after a pair: the first ride of the next one waits for its second.
  const looked = experiment.state === 'open' ? driven.slice(0, driven.length - (driven.length % 2)) : driven;
  const counted = looked
    .filter((one) => whyNot(one) === null)
    .map(({ place, side, ride }) => ({ side, ride: ride!, pair: place >> 1 }));
  const isEarly = isLooked || isExtended;
  const level = isExtended ? RIDDEN_ON : isLooked ? levelPerLook(plan.pairs) : AT_END;
  const count = (of: 'A' | 'B') => counted.filter(({ side }) => side === of).length;
  return {
    kind: 'change',
    compared: compareRides(
      counted.map(({ side, ride, pair }) => ({ side, laps: ride.measures.laps, pair })),
      { isOrderKnown: true, named: plan.named ?? undefined, level },
    ),
    sides: { ridesA: count('A'), ridesB: count('B') },
    isEarly,
    leftOut: looked.flatMap((one): LeftOut[] => {
      const why = whyNot(one);
      return why === null ? [] : [{ ride: one.place + 1, why }];
    }),
    strayLogs,
    rides: counted.map(({ side, ride }) => ({ id: ride.id, side, summary: ride.measures.summary })),
  };
}

function blindAnswer(facts: ExperimentFacts, plan: PairPlan): ExperimentAnswer {
  const { orders, commitmentHolds } = facts;
  return {
    kind: 'blind',
    score: bettingScore(questionOf(plan), blindPairs(courseOf(facts))),
    orders: [...orders],
    commitmentHolds,
  };
}

function jndAnswer(
  { experiment: { answers }, orders, commitmentHolds }: ExperimentFacts,
  plan: JndPlan,
): ExperimentAnswer {
  const { jnd, low, high, next } = jndFrom(plan, orders, answers);
  return {
    kind: 'jnd',
    pairs: jndStaircase(plan, orders, answers),
    told: { jnd, low, high },
    isKnown: next === null,
    orders: [...orders],
    commitmentHolds,
  };
}

function bestAnswer(facts: ExperimentFacts, plan: BestPlan): ExperimentAnswer {
  const rides = searchedRides(courseOf(facts));
  return { kind: 'best', found: findBest(plan.settings, rides, plan.seed), rides };
}

function exploreAnswer(
  { experiment, rides }: ExperimentFacts,
  { setting, back }: ExplorePlan,
): ExperimentAnswer {
  const values = [setting.min, setting.max, back];
  return {
    kind: 'explore',
    rides: ridden(experiment.trials).map(({ place, rideId }) => {
      const said = experiment.answers.find((answer) => answer.place === place)?.said;
      return {
        value: values[place]!,
        summary: (rideId && rides.get(rideId)?.measures.summary) || null,
        wants: said?.kind === 'feel' ? (said.wants[setting.key] ?? null) : null,
      };
    }),
  };
}

/** How much this driver's laps spread by themselves on a road, from rides of it. */
export function ownSpread(rides: readonly ExperimentRide[], road: Road): OwnSpread {
  const here = rides.filter((ride) => isSameRoad(ride.road, road));
  const values = (name: (typeof MEASURES)[number]) =>
    here.map(({ measures }) => countedValues(measures.laps, name));
  const lapTimes = values(MEASURES[0]!).flat();
  return {
    rides: here.length,
    lapS: lapTimes.length > 0 ? mean(lapTimes) : null,
    of: Object.fromEntries(
      MEASURES.flatMap((measure) => {
        const spread = spreadOf(values(measure));
        return spread && spread.sigma > 0 ? [[measure.name, spread]] : [];
      }),
    ),
  };
}

/** Rides that were booked in a title get their logs by when they were driven. */
export const logsFor = (experiment: Experiment, logs: readonly { id: string; atMs: number }[]) =>
  matchLogs(experiment.atMs, ridden(experiment.trials), logs);
