import { z } from 'zod';
import { MEASURES, type MeasureName } from '../rides/measures';
import {
  keyOfText,
  settingKeySchema,
  settingValueSchema,
  settingValuesSchema,
  type SettingValues,
} from '../settings/setting';
import { STRETCHES } from '../driving/stretch';
import { MOST_BLIND_PAIRS } from './bettingScore';
import type { PairOrder } from './randomizedOrders';
import { MOST_NOTICED } from './justNoticeable';
import { DIMENSIONS, HIGHEST_RATING, LOWEST_RATING, type Dimension, type Ratings } from './pairedRatings';

/** What a driver may ask of a setting. */
export const QUESTIONS = ['change', 'discriminate', 'like', 'jnd', 'best', 'explore'] as const;
export type Question = (typeof QUESTIONS)[number];

/**
 * How rides are driven: by the simulated driver, by hand in the title, there with a helper who loads what is not told, there with files,
 * or on our own roads, where the program loads it.
 */
const WAYS = ['simulated', 'title', 'helper', 'files', 'here'] as const;
export type Way = (typeof WAYS)[number];

const MOST_LAPS = 20;
const MOST_SEED = 0xffff_ffff;
const OFF_GRID = 1e-6;

const settingText = z
  .string()
  .refine((text) => settingKeySchema.safeParse(keyOfText(text)).success, 'no layer/axis/field');
/** Values of a side; `null` stands for what the menu has by itself. */
const sideSchema = z
  .record(settingText, settingValueSchema.nullable())
  .refine(
    (side) => Object.keys(side).length >= 1 && Object.keys(side).length <= 20,
    'one to twenty settings',
  );
export type Side = z.output<typeof sideSchema>;

const measureSchema = z.enum(MEASURES.map(({ name }) => name) as [MeasureName, ...MeasureName[]]);
export const dimensionSchema = z.enum(Object.keys(DIMENSIONS) as [Dimension, ...Dimension[]]);
const lapsPerRide = z.int().min(1).max(MOST_LAPS);
/** Where each ride is a few seconds of road instead of laps; only here. */
const stretch = z.enum(STRETCHES).nullable().optional();
const SHORT_ELSEWHERE = { message: 'short rides are driven here', path: ['stretch'] };

/** Of two sides, driven as pairs in the order of a coin. */
const pairPlan = z
  .strictObject({
    question: z.enum(['change', 'discriminate', 'like']),
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
  .refine(
    ({ question, way }) =>
      way === 'here' || (question === 'change') === (way === 'simulated' || way === 'title'),
    { message: 'who knows what is loaded cannot be asked blind', path: ['way'] },
  )
  .refine(({ question, way, stretch }) => !stretch || (way === 'here' && question !== 'change'), {
    message: 'short rides are driven here, and asked about blind',
    path: ['stretch'],
  });

const sorted = (side: Side) => Object.entries(side).sort(([a], [b]) => (a < b ? -1 : 1));

const searched = z
  .strictObject({ key: settingText, min: z.number(), max: z.number(), step: z.number().positive() })
  .refine(({ min, max, step }) => max - min >= step, {
    message: 'max lies a step above min or more',
    path: ['max'],
  });

const bestPlan = z
  .strictObject({
    question: z.literal('best'),
    way: z.enum(['title', 'here']),
    settings: z.array(searched).min(1).max(3),
    seed: z.int().min(0).max(MOST_SEED),
    lapsPerRide,
    stretch,
  })
  .refine(({ way, stretch }) => !stretch || way === 'here', SHORT_ELSEWHERE)
  .refine(({ settings }) => new Set(settings.map(({ key }) => key)).size === settings.length, {
    message: 'a setting stands twice',
    path: ['settings'],
  });

/** One setting at its least, at its most, and back to where it was. */
const explorePlan = z
  .strictObject({
    question: z.literal('explore'),
    way: z.enum(['simulated', 'title', 'here']),
    setting: searched,
    back: z.number(),
    lapsPerRide,
    stretch,
  })
  .refine(({ way, stretch }) => !stretch || way === 'here', SHORT_ELSEWHERE)
  .refine(({ setting: { min, max }, back }) => back >= min - OFF_GRID && back <= max + OFF_GRID, {
    message: 'it goes back to a value of its range',
    path: ['back'],
  });

/** Pairs of short rides, blind: what is set against more or less of it, by as much as tells most of how fine it is felt. */
const jndPlan = z
  .strictObject({
    question: z.literal('jnd'),
    way: z.literal('here'),
    /** All that the menu offers: what is just noticed is believed as a share of it. */
    setting: searched,
    /** What one ride of every pair has. */
    at: z.number(),
    lapsPerRide,
    /** Laps are too long to be kept in mind so often. */
    stretch: z.enum(STRETCHES),
  })
  .refine(({ setting: { min, max }, at }) => at >= min - OFF_GRID && at <= max + OFF_GRID, {
    message: 'it is asked at a value of its range',
    path: ['at'],
  });

export const planSchema = z.union([pairPlan, jndPlan, bestPlan, explorePlan]);
export type ExperimentPlan = z.output<typeof planSchema>;
export type PairPlan = z.output<typeof pairPlan>;
export type JndPlan = z.output<typeof jndPlan>;
export type BestPlan = z.output<typeof bestPlan>;
export type ExplorePlan = z.output<typeof explorePlan>;

export const isPairPlan = (plan: ExperimentPlan): plan is PairPlan =>
  plan.question === 'change' || plan.question === 'discriminate' || plan.question === 'like';

/** Settings that a plan is about, as `layer/axis/field`. */
export function settingsOf(plan: ExperimentPlan): string[] {
  if (isPairPlan(plan)) return Object.keys(plan.a).sort();
  return plan.question === 'best' ? plan.settings.map(({ key }) => key) : [plan.setting.key];
}

/** Every set of values that a plan may ask for. */
export function sidesOfPlan(plan: ExperimentPlan): Side[] {
  if (isPairPlan(plan)) return [plan.a, plan.b];
  if (plan.question === 'best')
    return plan.settings.flatMap(({ key, min, max }) => [{ [key]: min }, { [key]: max }]);
  const { key, min, max } = plan.setting;
  return [{ [key]: min }, { [key]: max }, { [key]: plan.question === 'jnd' ? plan.at : plan.back }];
}

/** How a ride that was to be driven went. What did not count is driven again. */
export const OUTCOMES = ['ridden', 'crash', 'wrong load', 'break'] as const;
export type TrialOutcome = (typeof OUTCOMES)[number];

/** A ride of an experiment, as it was booked. */
export interface Trial {
  /** Which ride of the plan, from 0. */
  place: number;
  atMs: number;
  outcome: TrialOutcome;
  /** The log, where there is one. */
  rideId: string | null;
  /** What was loaded, where a plan does not say it beforehand: a search leads from ride to ride. */
  values: Record<string, number> | null;
  /** Firmware of the rig and version of the title as they were then. */
  software: string;
}

/** As a pre-flight's stamp has both. */
export const softwareSchema = z.string().max(4100);
export const trialValuesSchema = z.record(settingText, z.number()).nullable();

const sureSchema = z.enum(['guess', 'think', 'sure']).nullable();
export const ratingSchema = z.int().min(LOWEST_RATING).max(HIGHEST_RATING);

/** What was said: of a pair, which of its two; of a single ride, how it felt. `none` also where it was noticed otherwise. */
export const saidSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('pair'),
    answer: z.enum(['first', 'second', 'none']),
    sure: sureSchema,
    noticed: z.boolean(),
    /** Of a pair that asks how fine a setting is felt: how far apart its rides were, as the server had it. */
    apart: z.number().positive().optional(),
  }),
  z.strictObject({
    kind: z.literal('feel'),
    better: z.enum(['this', 'before']).nullable(),
    wants: z.record(settingText, z.enum(['more', 'less', 'right']).nullable()),
  }),
]);
export type Said = z.output<typeof saidSchema>;

/** An answer to the pair, or the ride, at a place. */
export interface Answer {
  place: number;
  atMs: number;
  said: Said;
}

export const ratingsSchema = z.partialRecord(dimensionSchema, ratingSchema);

/** A plan as it is stored with what was fixed when it was asked. */
export const storedPlanSchema = z.strictObject({
  asked: planSchema,
  /** Every setting in force then: what is not asked about has to stay as it was. */
  basis: settingValuesSchema,
  /** Of the pairs, in order; of a blind test `null` until it is over. */
  orders: z
    .array(z.enum(['AB', 'BA']))
    .max(MOST_NOTICED)
    .nullable(),
  /** SHA-256 of the orders and the salt, of a blind test. */
  commitment: z
    .string()
    .regex(/^[0-9a-f]{64}$/)
    .nullable(),
  /** `null` until it is over. */
  salt: z.string().max(200).nullable(),
  /** Somebody looked before the planned end: then every look claims at a stricter level, the last one too. */
  isLooked: z.boolean(),
  /** Pairs were added after the planned end. */
  isExtended: z.boolean(),
});
export type StoredPlan = z.output<typeof storedPlanSchema>;

/** A plan as it is when it is asked. @param commitment of a blind test, whose orders are kept elsewhere */
export const freshPlan = (
  asked: ExperimentPlan,
  basis: SettingValues,
  orders: PairOrder[] | null,
  commitment: string | null = null,
): StoredPlan => ({ asked, basis, orders, commitment, salt: null, isLooked: false, isExtended: false });

export const EXPERIMENT_STATES = ['open', 'over', 'given up'] as const;
export type ExperimentState = (typeof EXPERIMENT_STATES)[number];
export const DECISIONS = ['kept', 'put back'] as const;
export type Decision = (typeof DECISIONS)[number];

/** A question that was asked, with all that came of it. */
export interface Experiment {
  id: string;
  atMs: number;
  trackId: string;
  plan: StoredPlan;
  state: ExperimentState;
  decision: Decision | null;
  trials: Trial[];
  answers: Answer[];
  ratings: { place: number; of: Ratings }[];
}

/** A test whose orders nobody may see yet. */
export const isBlind = ({ question }: ExperimentPlan) =>
  question === 'discriminate' || question === 'like' || question === 'jnd';

/** What is asked to learn something of a setting or of oneself: nothing is kept or put back afterwards. */
export const isToLearn = (question: Question) => question === 'explore' || question === 'jnd';
