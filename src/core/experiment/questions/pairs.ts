import { z } from 'zod';
import { MOST_BLIND_PAIRS } from '../bettingScore';
import {
  dimensionSchema,
  isShortHere,
  lapsPerRide,
  measureSchema,
  sideSchema,
  SHORT_ELSEWHERE,
  stretch,
  WAYS,
  type Side,
} from '../planParts';
import { sidesOf } from '../randomizedOrders';
import { ridden } from '../trial';
import type { Chosen, Course, Known, QuestionRules, Step } from './question';

/** The questions of two sides. */
export type PairQuestion = 'change' | 'discriminate' | 'like';

/** Of two sides, driven as pairs in the order of a coin. @param named which of the questions that do */
export const pairSchema = (named: PairQuestion) =>
  z
    .strictObject({
      question: z.literal<PairQuestion>(named),
      way: z.enum(WAYS),
      a: sideSchema,
      b: sideSchema,
      pairs: z.int().min(1).max(MOST_BLIND_PAIRS),
      lapsPerRide,
      /** The measure that the change is for. */
      named: measureSchema.nullable(),
      /** The dimension of feel that it is for. */
      dimension: dimensionSchema.nullable(),
      stretch,
    })
    .refine(({ a, b }) => Object.keys(a).sort().join() === Object.keys(b).sort().join(), {
      message: 'A and B are values of the same settings',
      path: ['b'],
    })
    .refine(({ a, b }) => JSON.stringify(sorted(a)) !== JSON.stringify(sorted(b)), {
      message: 'A and B are the same',
      path: ['b'],
    })
    .refine(isShortHere, SHORT_ELSEWHERE);

const sorted = (side: Side) => Object.entries(side).sort(([a], [b]) => (a < b ? -1 : 1));

/** A plan whose rides are driven in pairs of A and B. */
export type PairPlan = z.output<ReturnType<typeof pairSchema>>;

/** What the questions of two sides have in common. */
export const pairRules = {
  chooses: 'sides',
  isToLearn: false,
  isLed: false,
  settings: ({ a }) => Object.keys(a).sort(),
  sides: ({ a, b }) => [a, b],
  ends: ({ a, b }) => [{ a, b }],
  pairs: ({ pairs }) => pairs,
  pairNow: (_, { a, b }) => ({ a, b }),
  kept: (_, { b }) => b,
  known: (): Known => ({ tried: [], best: null }),
} as const satisfies Partial<QuestionRules<PairPlan, unknown>>;

export const chosenPair = (chosen: Chosen) => ({
  way: chosen.way,
  a: { [chosen.key]: chosen.sides.a },
  b: { [chosen.key]: chosen.sides.b },
  lapsPerRide: chosen.lapsPerRide,
  named: chosen.named,
  dimension: chosen.dimension,
});

/** The ride of a pair at a place. */
export function rideOfPair({ orders }: Course, plan: PairPlan, place: number): Step {
  const side = sidesOf(orders)[place]!;
  return { kind: 'ride', place, of: 2 * plan.pairs, values: side === 'A' ? plan.a : plan.b, side };
}

/** How many rides count so far. */
export const riddenIn = ({ trials }: Course) => ridden(trials).length;
