import { z } from 'zod';
import type { SettingValues } from '../settings/setting';
import type { Side } from './planParts';
import { best } from './questions/best';
import { discriminate, like } from './questions/blind';
import { change } from './questions/change';
import { explore } from './questions/explore';
import { jnd } from './questions/jnd';
import type { PairPlan } from './questions/pairs';
import {
  before,
  type AnswerFacts,
  type Chosen,
  type Course,
  type Done,
  type Known,
  type QuestionRules,
  type Step,
} from './questions/question';

/** What a driver may ask of a setting, in the order in which it is offered. */
const RULES = { change, discriminate, like, jnd, best, explore };

export type Question = keyof typeof RULES;
export const QUESTIONS = Object.keys(RULES) as Question[];

export type ExperimentPlan = z.output<(typeof RULES)[Question]['schema']>;
/** What came of a question. */
export type ExperimentAnswer = ReturnType<(typeof RULES)[Question]['answer']>;

export const planSchema = z.discriminatedUnion(
  'question',
  QUESTIONS.map((question) => RULES[question].schema) as never,
) as unknown as z.ZodType<ExperimentPlan, ExperimentPlan>;

/** What a question is, whatever it is called. */
export const rulesOf = (question: Question) =>
  RULES[question] as unknown as QuestionRules<ExperimentPlan, ExperimentAnswer>;

export const isPairPlan = (plan: ExperimentPlan): plan is PairPlan => 'a' in plan;
/** A test whose orders nobody may see yet. */
export const isBlind = ({ question }: Pick<ExperimentPlan, 'question'>) => RULES[question].isBlind;
/** What is asked to learn something of a setting or of oneself: nothing is kept or put back afterwards. */
export const isToLearn = (question: Question) => RULES[question].isToLearn;
/** Settings that a plan is about, as `layer/axis/field`. */
export const settingsOf = (plan: ExperimentPlan): string[] => rulesOf(plan.question).settings(plan);
/** Every set of values that a plan may ask for. */
export const sidesOfPlan = (plan: ExperimentPlan): Side[] => rulesOf(plan.question).sides(plan);

/** What was chosen, as a plan of a question. */
export const planOf = (question: Question, chosen: Chosen): ExperimentPlan => rulesOf(question).plan(chosen);

/** What comes next. A ride that went wrong is driven again; nothing is asked twice. */
export const nextStep = (plan: ExperimentPlan, course: Course): Step =>
  rulesOf(plan.question).next(course, plan);

/** Both values of the pair that is driven now, whichever comes first; `null` where nothing is driven in pairs. */
export const pairedSides = (plan: ExperimentPlan, course: Course) =>
  rulesOf(plan.question).pairNow(course, plan);

export const answerOf = (plan: ExperimentPlan, facts: AnswerFacts): ExperimentAnswer =>
  rulesOf(plan.question).answer(facts, plan);

export const knownBy = (plan: ExperimentPlan, answer: ExperimentAnswer, key: string): Known =>
  rulesOf(plan.question).known(answer, plan, key);

/** Kept is B, or what was found; put back is A, or what was there. */
export function decidedValues(
  { asked, basis }: { asked: ExperimentPlan; basis: SettingValues },
  done: Done,
  decision: 'kept' | 'put back',
): Side {
  const kept = decision === 'kept' ? rulesOf(asked.question).kept(done, asked) : null;
  return kept ?? (isPairPlan(asked) ? asked.a : before(basis, settingsOf(asked)));
}
