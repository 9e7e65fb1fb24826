import { buttonMapSchema, EMPTY_MAP, type ButtonMap } from '@/core/buttons/buttonMap';
import type { Combination } from '@/core/settings/scope';
import { readFact, writeFact } from './facts';
import type { Database } from './database';

type Where = Pick<Combination, 'rigId' | 'titleId'>;
const keyOf = ({ rigId, titleId }: Where) => `buttons/${rigId}/${titleId}`;

/** What the buttons of a rig do in a title. */
export async function buttonMapOf(db: Database, where: Where): Promise<ButtonMap> {
  return buttonMapSchema.parse((await readFact(db, keyOf(where))) ?? EMPTY_MAP);
}

export async function saveButtonMap(db: Database, where: Where, map: ButtonMap): Promise<void> {
  await writeFact(db, keyOf(where), map);
}
