import { z } from 'zod';
import { settingValuesSchema, type SettingValues } from '../settings/setting';
import { MOST_NOTICED } from './justNoticeable';
import type { Ratings } from './pairedRatings';
import { planSchema, type ExperimentPlan } from './questions';
import type { PairOrder } from './randomizedOrders';
import type { Answer, Trial } from './trial';

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
