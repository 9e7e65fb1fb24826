import { z } from 'zod';
import type { WeaningPlan } from '@/core/response/weaning';
import type { Combination } from './combination';
import { readFact, writeFact } from './facts';
import type { Database } from './openBook';

const planSchema = z.strictObject({
  field: z.string(),
  fromValue: z.number(),
  steps: z.array(z.strictObject({ value: z.number(), dueMs: z.number() })),
  smoothnessAtStep: z.number().nullable(),
});

const keyOf = ({ rigId, titleId, carId, driver, branch }: Combination) =>
  `weaning/${[rigId, titleId, carId, driver, branch].join('/')}`;

/** The driver's way back to a linear throttle in a combination, if one is under way. */
export async function weaningOf(db: Database, combination: Combination): Promise<WeaningPlan | null> {
  const value = await readFact(db, keyOf(combination));
  return value === undefined ? null : planSchema.parse(value);
}

export async function keepWeaning(
  db: Database,
  combination: Combination,
  plan: WeaningPlan | null,
): Promise<void> {
  await writeFact(db, keyOf(combination), plan);
}
