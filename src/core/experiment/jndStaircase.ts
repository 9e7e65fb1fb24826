import { sidesOf, type PairOrder } from './randomizedOrders';
import { justNoticeable, MOST_NOTICED, type JustNoticeable } from './justNoticeable';
import { LEAST_PAIRS } from './noticed';
import type { Answer, JndPlan, Side } from './plan';

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
export const toldEnough = (answers: readonly Answer[]): boolean =>
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
