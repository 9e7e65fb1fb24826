import 'server-only';
import { carById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import type { Problem } from '@/core/problem';
import { brokenElsewhere } from '@/core/settings/elsewhere';
import { combinationText, type Combination } from '@/core/settings/scope';
import type { SetEvent } from '@/core/settings/trail';
import { listChanges, type RecordedEvent } from '@/data/changes';
import { listCombinations } from '@/data/combination';
import type { Database } from '@/data/openBook';
import { listTitles } from '@/data/ownTitles';
import { listRigs } from '@/data/rigs';
import { combinationName } from './combinationView';

/**
 * What new events would spoil in another combination of the open rig; `null` where they spoil nothing.
 * @param changed the changes that come into force or go out of it; by default, those that are new
 */
export async function spoiltBy(
  db: Database,
  open: Combination,
  news: readonly RecordedEvent[],
  changed: readonly SetEvent[] = news.filter((event) => event.kind === 'set'),
): Promise<Problem | null> {
  const [rigs, known, titles, before] = await Promise.all([
    listRigs(db),
    listCombinations(db),
    listTitles(db),
    listChanges(db, open.rigId),
  ]);
  const rig = rigs.find(({ id }) => id === open.rigId);
  if (!rig) return null;
  return brokenElsewhere({
    before,
    after: [...before, ...news],
    changed,
    others: known.filter((c) => c.rigId === rig.id && combinationText(c) !== combinationText(open)),
    menusOf: (other) => menusFor(rig.spec, titles.byId(other.titleId), carById(other.carId)),
    nameOf: (other) => combinationName(other, rig.name, titles.byId(other.titleId).name),
  });
}
