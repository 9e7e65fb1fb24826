import { isSameRoad } from '../../rides/road';
import { AT_END, levelPerLook, RIDDEN_ON } from '../alphaSpending';
import { compareRides, type RidesCompared } from '../compareRides';
import type { Measured } from '../../rides/measures';
import { sidesOf } from '../randomizedOrders';
import { ridden, splitPairs } from '../trial';
import { chosenPair, pairRules, pairSchema, rideOfPair, riddenIn, type PairPlan } from './pairs';
import type { AnswerFacts, QuestionRules } from './question';

const schema = pairSchema('change')
  .refine(({ way }) => way === 'simulated' || way === 'title' || way === 'here', {
    message: 'who knows what is loaded cannot be asked blind',
    path: ['way'],
  })
  .refine(({ stretch }) => !stretch, {
    message: 'short rides are driven here, and asked about blind',
    path: ['stretch'],
  });

/** Why a ride is not counted. */
export interface LeftOut {
  /** From 1. */
  ride: number;
  why: 'no log' | 'other road' | 'other software';
}

export interface ChangeAnswer {
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

/** Did a change of a setting change anything? Rides of both values in the order of a coin, compared by their laps. */
export const change: QuestionRules<PairPlan, ChangeAnswer> = {
  ...pairRules,
  schema,
  ways: ['simulated', 'title', 'here'],
  isBlind: false,
  isCompared: true,
  tellsNoticed: false,
  plan: (chosen) => ({ question: 'change', ...chosenPair(chosen), pairs: chosen.pairs }),
  rides: ({ pairs }) => 2 * pairs,
  next(course, plan) {
    const place = riddenIn(course);
    return place >= 2 * plan.pairs ? { kind: 'over' } : rideOfPair(course, plan, place);
  },
  // Laps that were driven can be compared at any time.
  tellsWhenBroken: (done) => done.ridden > 0,
  answer,
};

function answer(
  { trials, orders, rides, strayLogs, isOpen, isLooked, isExtended }: AnswerFacts,
  plan: PairPlan,
): ChangeAnswer {
  const sides = sidesOf(orders);
  const driven = ridden(trials).map(({ place, rideId }) => ({
    place,
    side: sides[place]!,
    ride: rideId === null ? null : (rides.get(rideId) ?? null),
  }));
  const road = driven.find(({ ride }) => ride)?.ride?.road;
  const split = splitPairs(trials);
  const whyNot = ({ place, ride }: (typeof driven)[number]): LeftOut['why'] | null => {
    if (ride === null) return 'no log';
    if (!isSameRoad(ride.road, road!)) return 'other road';
    return split.includes(place >> 1) ? 'other software' : null;
  };
  // A look comes after a pair: the first ride of the next one waits for its second.
  const looked = isOpen ? driven.slice(0, driven.length - (driven.length % 2)) : driven;
  const counted = looked
    .filter((one) => whyNot(one) === null)
    .map(({ place, side, ride }) => ({ side, ride: ride!, pair: place >> 1 }));
  const early = isLooked ? levelPerLook(plan.pairs) : AT_END;
  const count = (of: 'A' | 'B') => counted.filter(({ side }) => side === of).length;
  return {
    kind: 'change',
    compared: compareRides(
      counted.map(({ side, ride, pair }) => ({ side, laps: ride.measures.laps, pair })),
      { isOrderKnown: true, named: plan.named ?? undefined, level: isExtended ? RIDDEN_ON : early },
    ),
    sides: { ridesA: count('A'), ridesB: count('B') },
    isEarly: isLooked || isExtended,
    leftOut: looked.flatMap((one): LeftOut[] => {
      const why = whyNot(one);
      return why === null ? [] : [{ ride: one.place + 1, why }];
    }),
    strayLogs,
    rides: counted.map(({ side, ride }) => ({ id: ride.id, side, summary: ride.measures.summary })),
  };
}
