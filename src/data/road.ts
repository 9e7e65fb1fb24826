import { idSchema } from '@/core/text/line';
import type { Combination } from '@/core/settings/scope';
import { readFact, writeFact } from './facts';
import type { Database } from './database';

type Where = Pick<Combination, 'titleId' | 'driver'>;
const keyOf = ({ titleId, driver }: Where) => `road/${titleId}/${driver}`;

/** The road that a driver chose in a title; `null` before that. */
export async function chosenRoad(db: Database, where: Where): Promise<string | null> {
  return idSchema.nullable().parse((await readFact(db, keyOf(where))) ?? null);
}

export async function chooseRoad(db: Database, where: Where, trackId: string): Promise<void> {
  await writeFact(db, keyOf(where), trackId);
}
