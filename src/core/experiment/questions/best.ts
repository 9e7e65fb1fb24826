import { z } from 'zod';
import type { FinderRide } from '../finder/answers';
import { findBest, type FinderAnswer } from '../finder/findBest';
import { isShortHere, lapsPerRide, rangeSchema, SHORT_ELSEWHERE, stretch } from '../planParts';
import { ridden } from '../trial';
import { endsOf, short, type Done, type QuestionRules } from './question';

const MOST_SEED = 0xffff_ffff;

const schema = z
  .strictObject({
    question: z.literal('best'),
    way: z.enum(['title', 'here']),
    settings: z.array(rangeSchema).min(1).max(3),
    seed: z.int().min(0).max(MOST_SEED),
    lapsPerRide,
    stretch,
  })
  .refine(isShortHere, SHORT_ELSEWHERE)
  .refine(({ settings }) => new Set(settings.map(({ key }) => key)).size === settings.length, {
    message: 'a setting stands twice',
    path: ['settings'],
  });
export type BestPlan = z.output<typeof schema>;

export interface BestAnswer {
  kind: 'best';
  found: FinderAnswer;
  rides: FinderRide[];
}

/** The rides of a search with what was said of them, in order. */
export function searchedRides({ trials, answers }: Done): FinderRide[] {
  return ridden(trials).flatMap(({ place, values }): FinderRide[] => {
    const said = answers.find((answer) => answer.place === place)?.said;
    if (!values || said?.kind !== 'feel') return [];
    return [{ values, better: place === 0 ? null : said.better, wants: said.wants }];
  });
}

const found = (done: Done, { settings, seed }: BestPlan) => findBest(settings, searchedRides(done), seed);

/** Where is the best value of one setting, or of several at once? Led from ride to ride by what its driver says of each. */
export const best: QuestionRules<BestPlan, BestAnswer> = {
  schema,
  ways: ['title', 'here'],
  chooses: 'ranges',
  isBlind: false,
  isToLearn: false,
  isCompared: false,
  isLed: true,
  tellsNoticed: true,
  plan: ({ way, ranges, seed, lapsPerRide: laps, stretch: kind }) => ({
    question: 'best',
    way: way === 'here' ? way : 'title',
    settings: ranges,
    seed,
    lapsPerRide: laps,
    ...short({ stretch: kind }),
  }),
  settings: ({ settings }) => settings.map(({ key }) => key),
  sides: ({ settings }) => endsOf(settings).flatMap(({ a, b }) => [a, b]),
  ends: ({ settings }) => endsOf(settings),
  pairs: () => null,
  rides: () => null,
  next(course, plan) {
    const place = ridden(course.trials).length;
    if (course.answers.length < place)
      return { kind: 'answer', ask: 'feel', place: place - 1, isFirst: place === 1 };
    const { next } = found(course, plan);
    return next ? { kind: 'ride', place, of: null, values: next, side: null } : { kind: 'over' };
  },
  pairNow: () => null,
  tellsWhenBroken: () => false,
  answer: (facts, plan) => ({ kind: 'best', found: found(facts, plan), rides: searchedRides(facts) }),
  kept: (done, plan) =>
    Object.fromEntries(Object.entries(found(done, plan).best).map(([key, { value }]) => [key, value])),
  known: ({ rides, found: { state, best: of } }, _, key) => ({
    tried: rides.map(({ values, wants }) => ({ value: values[key]!, wants: wants[key] ?? null })),
    best: state === 'found' ? of[key]! : null,
  }),
};
