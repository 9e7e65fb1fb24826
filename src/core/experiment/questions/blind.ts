import {
  bettingScore,
  MOST_BLIND_PAIRS,
  type BlindPair,
  type BlindQuestion,
  type BlindScore,
} from '../bettingScore';
import type { PairOrder } from '../randomizedOrders';
import type { Answer } from '../trial';
import {
  chosenPair,
  pairRules,
  pairSchema,
  rideOfPair,
  riddenIn,
  type PairPlan,
  type PairQuestion,
} from './pairs';
import { short, type Course, type QuestionRules, type Step } from './question';

export interface BlindAnswer {
  kind: 'blind';
  score: BlindScore;
  orders: PairOrder[];
  commitmentHolds: boolean | null;
}

/** The answered pairs as they are scored. */
export function blindPairs({ orders, answers }: Pick<Course, 'orders' | 'answers'>): BlindPair[] {
  return inOrder(answers).flatMap(({ place, said }): BlindPair[] => {
    const order = orders[place];
    if (said.kind !== 'pair' || !order) return [];
    return [{ order, answer: said.noticed ? 'none' : said.answer, sure: said.sure }];
  });
}

const inOrder = (answers: readonly Answer[]) => answers.toSorted((a, b) => a.place - b.place);

/** Pairs that are answered without knowing what was loaded, until the score says enough. @param scored what is asked of each */
const blindRules = (question: PairQuestion, scored: BlindQuestion): QuestionRules<PairPlan, BlindAnswer> => ({
  ...pairRules,
  schema: pairSchema(question).refine(({ way }) => way === 'helper' || way === 'files' || way === 'here', {
    message: 'who knows what is loaded cannot be asked blind',
    path: ['way'],
  }),
  ways: ['helper', 'files', 'here'],
  isBlind: true,
  isCompared: false,
  tellsNoticed: scored === 'which',
  plan: (chosen) => ({ question, ...chosenPair(chosen), pairs: MOST_BLIND_PAIRS, ...short(chosen) }),
  rides: () => null,
  next: (course, plan) => next(course, plan, scored),
  tellsWhenBroken: () => false,
  answer: (facts) => ({
    kind: 'blind',
    score: bettingScore(scored, blindPairs(facts)),
    orders: [...facts.orders],
    commitmentHolds: facts.commitmentHolds,
  }),
});

function next(course: Course, plan: PairPlan, scored: BlindQuestion): Step {
  const place = riddenIn(course);
  const answered = course.answers.length;
  if (place === 2 * (answered + 1))
    return { kind: 'answer', ask: scored, place: answered, isFirst: answered === 0 };
  const { verdict } = bettingScore(scored, blindPairs(course));
  const isOver = verdict !== 'open' || answered >= plan.pairs;
  return isOver && place === 2 * answered ? { kind: 'over' } : rideOfPair(course, plan, place);
}

/** Could its driver tell which of the two was B? */
export const discriminate = blindRules('discriminate', 'which');
/** Which of the two does its driver like better? */
export const like = blindRules('like', 'better');

/** What each pair of a blind plan is scored by. */
export const scoredBy = ({ question }: Pick<PairPlan, 'question'>): BlindQuestion =>
  question === 'discriminate' ? 'which' : 'better';
