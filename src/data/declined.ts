import { declinedSchema } from '@/core/settings/proposal';
import { combinationText, type Combination } from '@/core/settings/scope';
import { readFact, writeFact } from './facts';
import type { Database } from './database';

const keyOf = (combination: Combination) => `declined/${combinationText(combination)}`;

/** Proposals that were said to be not for this driver, by what they would have set. */
export async function declinedIn(db: Database, combination: Combination): Promise<string[]> {
  return declinedSchema.parse((await readFact(db, keyOf(combination))) ?? []);
}

/** The list anew; an empty one is forgotten. */
export async function setDeclined(
  db: Database,
  combination: Combination,
  ids: readonly string[],
): Promise<void> {
  await writeFact(db, keyOf(combination), ids.length === 0 ? null : ids);
}
