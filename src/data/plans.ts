import { weaningPlanSchema, type WeaningPlan } from '@/core/response/weaning';
import type { Combination } from '@/core/settings/scope';
import { readFact, writeFact } from './facts';
import type { Database } from './database';

const keyOf = ({ rigId, titleId, carId, driver, branch }: Combination) =>
  `weaning/${[rigId, titleId, carId, driver, branch].join('/')}`;

/** The driver's way back to a linear throttle in a combination, if one is under way. */
export async function weaningOf(db: Database, combination: Combination): Promise<WeaningPlan | null> {
  const value = await readFact(db, keyOf(combination));
  return value === undefined ? null : weaningPlanSchema.parse(value);
}

export async function keepWeaning(
  db: Database,
  combination: Combination,
  plan: WeaningPlan | null,
): Promise<void> {
  await writeFact(db, keyOf(combination), plan);
}
