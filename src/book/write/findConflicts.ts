import 'server-only';
import { menusFor } from '@/catalog/menusFor';
import type { Titles } from '@/catalog/ownTitle';
import type { Problem } from '@/core/problem';
import type { RigSpec } from '@/core/rig/rigSpec';
import { findConflictElsewhere } from '@/core/settings/findConflictElsewhere';
import { wrongValue, type Menus } from '@/core/settings/menus';
import { combinationText, type Combination } from '@/core/settings/scope';
import type { SetEvent } from '@/core/settings/trail';
import { listChanges, type RecordedEvent } from '@/data/changes';
import { listCombinations } from '@/data/combination';
import { wrongInCombination } from '@/data/judgeBook';
import type { Database } from '@/data/database';
import { listTitles } from '@/data/ownTitles';
import { listRigs } from '@/data/rigs';
import type { Rig } from '@/core/rig/rig';
import { combinationName } from '../model/combinationView';

/** Stands for everybody who has not driven here yet: what is set for everyone holds for them too. */
const SOMEBODY = 'any other driver';

/**
 * What new events would spoil in another combination of the open rig; `null` where they spoil nothing.
 * @param changed the changes that come into force or go out of it; by default, those that are new
 */
export async function findConflicts(
  book: Database,
  open: Combination,
  news: readonly RecordedEvent[],
  changed: readonly SetEvent[] = news.filter((event) => event.kind === 'set'),
): Promise<Problem | null> {
  const [rigs, before] = await Promise.all([listRigs(book), listChanges(book, open.rigId)]);
  const rig = rigs.find(({ id }) => id === open.rigId);
  if (!rig) return null;
  const { others, titles } = await combinationsOn(book, rig.id, open.branch);
  return findConflictElsewhere({
    before,
    after: [...before, ...news],
    changed,
    others: others.filter((other) => combinationText(other) !== combinationText(open)),
    menusOf: menusOnce(rig.spec, titles),
    nameOf: (other) =>
      combinationName(other, rig.name, titles.byId(other.titleId).name, titles.car(other.carId).name),
  });
}

/** What is set on a rig and could not be any more if the rig were another one; `null` where all of it could. */
export async function findRigConflicts(
  book: Database,
  { id, name }: Rig,
  spec: RigSpec,
): Promise<Problem | null> {
  const events = await listChanges(book, id);
  const { others, titles } = await combinationsOn(book, id, '');
  const menusOf = menusOnce(spec, titles);
  for (const other of others) {
    const wrong = wrongInCombination(menusOf(other), events, other);
    if (!wrong) continue;
    const where = combinationName(other, name, titles.byId(other.titleId).name, titles.car(other.carId).name);
    return {
      ...wrong,
      message: `${where}: ${wrong.message}`,
      remedy:
        'Nothing was changed. Put back what is set there first, or describe the menu with a wider range.',
    };
  }
  return null;
}

/** What is set in a title on any rig and could not be any more as it is described now; `null` where all of it could. */
export async function findTitleConflicts(book: Database, titleId: string): Promise<Problem | null> {
  for (const { id, name, spec } of await listRigs(book)) {
    const events = await listChanges(book, id);
    const { others, titles } = await combinationsOn(book, id, '');
    const menusOf = menusOnce(spec, titles);
    for (const other of others.filter((one) => one.titleId === titleId)) {
      const wrong =
        wrongOnTrail(events, titleId, menusOf, other) ?? wrongInCombination(menusOf(other), events, other);
      if (!wrong) continue;
      const where = combinationName(other, name, titles.byId(titleId).name, titles.car(other.carId).name);
      return {
        ...wrong,
        message: `${where}: ${wrong.message}`,
        remedy:
          'Nothing was changed. Put back what is set there first, or describe the menu with a wider range.',
      };
    }
  }
  return null;
}

/** What was ever set of a title on a rig has to be what its menus take, or the trail could not be read any more. */
function wrongOnTrail(
  events: readonly RecordedEvent[],
  titleId: string,
  menusOf: (at: Combination) => Menus,
  at: Combination,
): Problem | null {
  for (const event of events) {
    if (event.kind !== 'set' || event.to === null || event.key.layer === 'base') continue;
    if (event.scope.titleId !== titleId) continue;
    const menus = menusOf({ ...at, carId: event.scope.carId ?? at.carId });
    const menu = menus[event.key.layer][event.key.axis];
    const wrong = menu && wrongValue(menu, event.key, event.to);
    if (wrong) return wrong;
  }
  return null;
}

/** The combinations that are known on a rig, and all that could still be opened on it. */
async function combinationsOn(book: Database, rigId: string, branch: string) {
  const [known, titles] = await Promise.all([listCombinations(book), listTitles(book)]);
  const here = known.filter((one) => one.rigId === rigId);
  const drivers = [...new Set([...here.map(({ driver }) => driver), SOMEBODY])];
  const possible = titles.all.flatMap((title) =>
    title.carIds.flatMap((carId) =>
      drivers.map((driver): Combination => ({ rigId, titleId: title.id, carId, driver, branch })),
    ),
  );
  const others = new Map([...here, ...possible].map((one) => [combinationText(one), one]));
  return { others: [...others.values()], titles };
}

/** Menus of a title with a car, made once each. */
function menusOnce(spec: RigSpec, titles: Titles): (of: Combination) => Menus {
  const made = new Map<string, Menus>();
  return ({ titleId, carId }) => {
    const key = `${titleId}/${carId}`;
    const menus = made.get(key) ?? menusFor(spec, titles.byId(titleId), titles.car(carId));
    made.set(key, menus);
    return menus;
  };
}
