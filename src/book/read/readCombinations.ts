import 'server-only';
import type { Titles } from '@/catalog/ownTitle';
import { menusFor } from '@/catalog/menusFor';
import { matchRotation } from '@/core/rotation/matchRotation';
import { COMPARED_AT_MPS, lateralPerDegree, steeredCar } from '@/core/rotation/sensitivity';
import { rotationInForce } from '@/core/settings/rotationOf';
import { effectiveSettings, valuesOf, type TrailEvent } from '@/core/settings/trail';
import { database } from '@/data/book';
import { changesByRig, listChanges } from '@/data/changes';
import { listCombinations } from '@/data/combination';
import type { KnownCombination } from '@/core/settings/scope';
import { listTitles } from '@/data/ownTitles';
import { listRigs } from '@/data/rigs';
import type { Rig } from '@/core/rig/rig';
import type { RequestContext } from './requestContext';
import { cachedUntilWrite } from './cachedUntilWrite';
import type { BookView } from '../model/bookView';
import type { CarSide } from '../model/carSide';
import { type CombinationState, combinationName, type CombinationLine } from '../model/combinationView';

export function combinationState(
  combination: KnownCombination,
  rig: Rig,
  events: readonly TrailEvent[],
  titles: Titles,
): CombinationState {
  const title = titles.byId(combination.titleId);
  const car = titles.car(combination.carId);
  const menus = menusFor(rig.spec, title, car);
  const effective = effectiveSettings(events, combination);
  const settings = valuesOf(effective);
  const rotation = rotationInForce(menus, settings, car.lockDeg, title.rotation === 'stretch');
  return {
    combination,
    name: combinationName(combination, rig.name, title.name, car.name),
    menus,
    effective,
    settings,
    rotation,
    lateral: lateralPerDegree(steeredCar(car), matchRotation(rotation).gain, COMPARED_AT_MPS),
  };
}

/** Every combination that was opened, the latest first, and how its car answers to the hands. */
export const combinationLines = cachedUntilWrite(async (): Promise<CombinationLine[]> => {
  const db = await database();
  const [rigs, known, changes, titles] = await Promise.all([
    listRigs(db),
    listCombinations(db),
    changesByRig(db),
    listTitles(db),
  ]);
  return known.flatMap((combination) => {
    const rig = rigs.find((r) => r.id === combination.rigId);
    return rig ? [combinationLine(combination, rig, changes.get(rig.id) ?? [], titles)] : [];
  });
});

function combinationLine(
  combination: KnownCombination,
  rig: Rig,
  events: readonly TrailEvent[],
  titles: Titles,
): CombinationLine {
  const { name, rotation, lateral } = combinationState(combination, rig, events, titles);
  return { ...combination, name, baseDeg: rotation.baseDeg, lateral };
}

/** The other cars of the open title, under the same driver, with what holds for them. */
export async function carSides(
  { book, rig, combination }: RequestContext,
  view: BookView,
): Promise<CarSide[]> {
  const [events, titles] = await Promise.all([listChanges(book, rig.id), listTitles(book)]);
  // Base and title write the same menus for every car: a page carries them once.
  const { base, title } = view.menus;
  return view.title.carIds
    .filter((carId) => carId !== combination.carId)
    .map((carId) => {
      const other = { ...combination, carId, openedAtMs: 0 };
      const { menus, settings, rotation } = combinationState(other, rig, events, titles);
      const own = { base, title, car: menus.car };
      return {
        car: titles.carIn(titles.byId(combination.titleId), carId),
        menus: own,
        settings,
        rotationDeg: rotation.baseDeg,
      };
    });
}
