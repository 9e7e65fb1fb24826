import { z } from 'zod';
import { STRETCHES, stretchFor } from '../../driving/stretch';
import { keyOfText } from '../../settings/setting';
import { justNoticeable, MOST_NOTICED, type JustNoticeable } from '../justNoticeable';
import { LEAST_PAIRS } from '../noticed';
import { isWithin, lapsPerRide, rangeSchema, type Side } from '../planParts';
import { sidesOf, type PairOrder } from '../randomizedOrders';
import { ridden, type Answer } from '../trial';
import { endsOf, type Course, type QuestionRules } from './question';

const schema = z
  .strictObject({
    question: z.literal('jnd'),
    way: z.literal('here'),
    /** All that the menu offers: what is just noticed is believed as a share of it. */
    setting: rangeSchema,
    /** What one ride of every pair has. */
    at: z.number(),
    lapsPerRide,
    /** Laps are too long to be kept in mind so often. */
    stretch: z.enum(STRETCHES),
  })
  .refine(({ setting, at }) => isWithin(setting, at), {
    message: 'it is asked at a value of its range',
    path: ['at'],
  });
export type JndPlan = z.output<typeof schema>;

export interface JndAnswer {
  kind: 'jnd';
  pairs: JndPair[];
  /** In the title's scale; `next` is not told. */
  told: Omit<JustNoticeable, 'next'>;
  /** Known well enough, or as many pairs were asked as anybody is; else it was broken off. */
  isKnown: boolean;
  orders: PairOrder[];
  commitmentHolds: boolean | null;
}

const pairNow = ({ orders, answers }: Course, plan: JndPlan) => {
  const { next } = jndFrom(plan, orders, answers);
  return next === null ? null : sidesApart(plan, next);
};

/** How little of a setting is noticed? Pairs, blind: what is set against more or less of it, by as much as tells most. */
export const jnd: QuestionRules<JndPlan, JndAnswer> = {
  schema,
  ways: ['here'],
  chooses: 'nothing',
  isBlind: true,
  isToLearn: true,
  isCompared: false,
  isLed: false,
  tellsNoticed: true,
  plan: ({ key, menu: { min, max, step }, value, lapsPerRide: laps, stretch }) => ({
    question: 'jnd',
    way: 'here',
    setting: { key, min, max, step },
    at: value,
    lapsPerRide: laps,
    stretch: stretch ?? stretchFor(keyOfText(key).axis),
  }),
  settings: ({ setting }) => [setting.key],
  sides: (plan) => [...endsOf([plan.setting]).flatMap(({ a, b }) => [a, b]), { [plan.setting.key]: plan.at }],
  ends: ({ setting }) => endsOf([setting]),
  pairs: () => MOST_NOTICED,
  rides: () => null,
  next(course, plan) {
    const place = ridden(course.trials).length;
    const answered = course.answers.length;
    if (place === 2 * (answered + 1))
      return { kind: 'answer', ask: 'more', place: answered, isFirst: answered === 0 };
    const pair = pairNow(course, plan);
    if (pair === null) return { kind: 'over' };
    const side = sidesOf(course.orders)[place]!;
    return { kind: 'ride', place, of: null, values: side === 'A' ? pair.a : pair.b, side };
  },
  pairNow,
  tellsWhenBroken: ({ answers }) => toldEnough(answers),
  answer({ answers, orders, commitmentHolds }, plan) {
    const { jnd: value, low, high, next } = jndFrom(plan, orders, answers);
    return {
      kind: 'jnd',
      pairs: jndStaircase(plan, orders, answers),
      told: { jnd: value, low, high },
      isKnown: next === null,
      orders: [...orders],
      commitmentHolds,
    };
  },
  kept: () => null,
  known({ pairs }, plan, key) {
    const others = pairs.map(({ apart }) => sidesApart(plan, apart).b[key] as number);
    return { tried: [...new Set([plan.at, ...others])].map((value) => ({ value, wants: null })), best: null };
  },
};

/** A pair whose two rides were told apart, or not: which of them has more. */
export interface JndPair {
  place: number;
  /** What one of its rides has beside what is set, in the title's scale; above 0. */
  apart: number;
  isRight: boolean;
}

/** Digits that a menu's grid can have; what comes after them is rounding. */
const exact = (value: number) => Number(value.toFixed(9));

/** Towards the end of the menu that is farther from what is set. */
const goesUp = ({ setting: { min, max }, at }: JndPlan) => max - at >= at - min;

/** Distances that differ by less tell the same. */
const NEXT_OFFERED = 1.1;

/** How far from what is set one ride of a pair can be: whole steps of the menu, in the title's scale, farther apart as they grow. */
export function offeredApart(plan: JndPlan): number[] {
  const { setting, at } = plan;
  const room = goesUp(plan) ? setting.max - at : at - setting.min;
  const most = Math.floor(room / setting.step + 1e-6);
  const steps: number[] = [];
  for (let n = 1; n <= most; n = Math.max(n + 1, Math.ceil(NEXT_OFFERED * n))) steps.push(n);
  return steps.map((n) => exact(n * setting.step));
}

/** A is what is set, B lies so far from it. */
export function sidesApart(plan: JndPlan, apart: number): { a: Side; b: Side } {
  const { key } = plan.setting;
  return { a: { [key]: plan.at }, b: { [key]: exact(plan.at + (goesUp(plan) ? apart : -apart)) } };
}

/** Whether a question that is broken off tells something all the same: what was noticed otherwise does not count. */
const toldEnough = (answers: readonly Answer[]): boolean =>
  answers.filter(({ said }) => said.kind === 'pair' && !said.noticed).length >= LEAST_PAIRS;

/** The pairs that were answered; what was noticed otherwise tells nothing of the feel. */
export function jndStaircase(
  plan: JndPlan,
  orders: readonly PairOrder[],
  answers: readonly Answer[],
): JndPair[] {
  const sides = sidesOf(orders);
  const more = goesUp(plan) ? 'B' : 'A';
  return answers
    .toSorted((a, b) => a.place - b.place)
    .flatMap(({ place, said }): JndPair[] => {
      if (said.kind !== 'pair' || said.noticed || said.answer === 'none' || !said.apart) return [];
      const named = sides[2 * place + (said.answer === 'first' ? 0 : 1)];
      return named ? [{ place, apart: said.apart, isRight: named === more }] : [];
    });
}

/**
 * What is believed of a driver after these pairs, in the title's scale, and how far apart the next pair lies; `next` is `null` once it is
 * known well enough, or as many pairs were answered as anybody is asked for.
 */
export function jndFrom(
  plan: JndPlan,
  orders: readonly PairOrder[],
  answers: readonly Answer[],
): JustNoticeable {
  const { min, max } = plan.setting;
  const range = max - min;
  const told = justNoticeable(
    jndStaircase(plan, orders, answers).map(({ apart, isRight }) => ({ apart: apart / range, isRight })),
    offeredApart(plan).map((apart) => apart / range),
  );
  const isEnough = told.next === null || answers.length >= MOST_NOTICED;
  return {
    jnd: range * told.jnd,
    low: range * told.low,
    high: range * told.high,
    next: isEnough ? null : exact(range * told.next!),
  };
}
