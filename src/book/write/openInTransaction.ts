import 'server-only';
import { DRIVERS } from '@/catalog/drivers';
import type { Combination } from '@/core/settings/scope';
import { chooseCombination, lastCombination } from '@/data/combination';
import type { Database } from '@/data/database';
import { listTitles } from '@/data/ownTitles';
import { listRigs } from '@/data/rigs';
import { NO_RIG } from './command';
import { refused, type Reply } from './reply';

/**
 * Opens another combination, inside a command. What is not said stays as it is, and on another rig as it was left there.
 * @param now where the asking browser is
 */
export async function openInTransaction(
  book: Database,
  now: Combination | null,
  to: { [Key in keyof Combination]?: Combination[Key] | undefined },
): Promise<Reply> {
  const rigId = to.rigId ?? now?.rigId;
  if (!rigId || !(await listRigs(book)).some((rig) => rig.id === rigId)) return refused(NO_RIG);
  const before = rigId === now?.rigId ? now : ((await lastCombination(book, rigId)) ?? now);
  const title = (await listTitles(book)).byId(to.titleId ?? before?.titleId ?? '');
  const wantedCar = to.carId ?? before?.carId;
  const carId = title.carIds.find((id) => id === wantedCar) ?? title.carIds[0]!;
  const driver = to.driver ?? before?.driver ?? DRIVERS[0];
  // A branch belongs to its combination: another title, car or driver begins on its main one.
  const branch = to.branch ?? '';
  const opens = { rigId, titleId: title.id, carId, driver, branch };
  await chooseCombination(book, opens);
  return { ok: true, opens };
}
