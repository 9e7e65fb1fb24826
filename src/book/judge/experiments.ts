import type { PairOrder } from '@/core/experiment/randomizedOrders';
import { matchLogs } from '@/core/experiment/matchLogs';
import type { Experiment } from '@/core/experiment/plan';
import { pairedRatings, type RatedDimension } from '@/core/experiment/pairedRatings';
import { spreadOf } from '@/core/experiment/planRides';
import {
  answerOf,
  isBlind,
  isPairPlan,
  nextStep,
  pairedSides,
  rulesOf,
  settingsOf,
} from '@/core/experiment/questions';
import type { AnswerFacts, ExperimentRide } from '@/core/experiment/questions/question';
import { ridden, softwareChangedAt } from '@/core/experiment/trial';
import { mean } from '@/core/numeric/moments';
import { countedValues } from '@/core/rides/measureRide';
import { MEASURES } from '@/core/rides/measures';
import { isSameRoad, type Road } from '@/core/rides/road';
import { changedBetween, type SettingValues } from '@/core/settings/setting';
import type { ExperimentView, OwnSpread, ShownStep } from '../model/experimentView';

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

const answerFacts = ({
  experiment,
  orders,
  rides,
  strayLogs,
  commitmentHolds,
}: ExperimentFacts): AnswerFacts => ({
  orders,
  rides,
  strayLogs,
  commitmentHolds,
  trials: experiment.trials,
  answers: experiment.answers,
  isOpen: experiment.state === 'open',
  isLooked: experiment.plan.isLooked,
  isExtended: experiment.plan.isExtended,
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
    answer: isKeptBack(experiment) ? null : answerOf(asked, answerFacts(facts)),
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
  state === 'open' && (isBlind(asked) || (rulesOf(asked.question).isCompared && !isLooked && !isExtended));

function shownStep(facts: ExperimentFacts): ShownStep {
  const { asked } = facts.experiment.plan;
  const course = answerFacts(facts);
  const step = nextStep(asked, course);
  if (step.kind !== 'ride') return step;
  const pair = pairedSides(asked, course);
  if (!isBlind(asked)) return { ...step, isLoaded: true, pair };
  return { ...step, of: null, values: null, side: null, isLoaded: facts.isLoaded(step.place), pair };
}

/** What was set otherwise since the question was asked, beside what it is about. */
export function changedElsewhere({ plan }: Experiment, settings: SettingValues): string[] {
  const own = settingsOf(plan.asked);
  return changedBetween(plan.basis, settings).filter((key) => !own.includes(key));
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
