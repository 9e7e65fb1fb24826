import { z } from 'zod';
import type { Measured } from '../../rides/measures';
import type { Wish } from '../finder/answers';
import { isShortHere, isWithin, lapsPerRide, rangeSchema, SHORT_ELSEWHERE, stretch } from '../planParts';
import { ridden } from '../trial';
import { endsOf, short, type AnswerFacts, type QuestionRules } from './question';

const schema = z
  .strictObject({
    question: z.literal('explore'),
    way: z.enum(['simulated', 'title', 'here']),
    setting: rangeSchema,
    back: z.number(),
    lapsPerRide,
    stretch,
  })
  .refine(isShortHere, SHORT_ELSEWHERE)
  .refine(({ setting, back }) => isWithin(setting, back), {
    message: 'it goes back to a value of its range',
    path: ['back'],
  });
export type ExplorePlan = z.output<typeof schema>;

export interface ExploreAnswer {
  kind: 'explore';
  rides: { value: number; summary: Measured | null; wants: Wish | null }[];
}

const driven = ({ setting: { min, max }, back }: ExplorePlan) => [min, max, back];

/** What does a setting do? At its least, at its most, and back to where it was. */
export const explore: QuestionRules<ExplorePlan, ExploreAnswer> = {
  schema,
  ways: ['title', 'simulated', 'here'],
  chooses: 'range',
  isBlind: false,
  isToLearn: true,
  isCompared: false,
  isLed: false,
  tellsNoticed: false,
  plan: ({ way, ranges, value, lapsPerRide: laps, stretch: kind }) => ({
    question: 'explore',
    way: way === 'simulated' || way === 'here' ? way : 'title',
    setting: ranges[0],
    back: value,
    lapsPerRide: laps,
    ...short({ stretch: kind }),
  }),
  settings: ({ setting }) => [setting.key],
  sides: (plan) => driven(plan).map((value) => ({ [plan.setting.key]: value })),
  ends: ({ setting }) => endsOf([setting]),
  pairs: () => null,
  rides: (plan) => driven(plan).length,
  next({ trials, answers }, plan) {
    const place = ridden(trials).length;
    if (plan.way !== 'simulated' && answers.length < place)
      return { kind: 'answer', ask: 'feel', place: place - 1, isFirst: place === 1 };
    const values = driven(plan);
    if (place >= values.length) return { kind: 'over' };
    return {
      ...{ kind: 'ride', place, of: values.length, side: null },
      values: { [plan.setting.key]: values[place]! },
    };
  },
  pairNow: () => null,
  tellsWhenBroken: () => false,
  answer,
  kept: () => null,
  known: ({ rides }) => ({ tried: rides.map(({ value, wants }) => ({ value, wants })), best: null }),
};

function answer({ trials, answers, rides }: AnswerFacts, plan: ExplorePlan): ExploreAnswer {
  const values = driven(plan);
  return {
    kind: 'explore',
    rides: ridden(trials).map(({ place, rideId }) => {
      const said = answers.find((one) => one.place === place)?.said;
      return {
        value: values[place]!,
        summary: (rideId && rides.get(rideId)?.measures.summary) || null,
        wants: said?.kind === 'feel' ? (said.wants[plan.setting.key] ?? null) : null,
      };
    }),
  };
}
