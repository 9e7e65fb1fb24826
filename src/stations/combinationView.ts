import 'server-only';
import { carById } from '@/catalog/find';
import type { Titles } from '@/catalog/ownTitle';
import { menusFor } from '@/catalog/menusFor';
import { matchRotation } from '@/core/rotation/matchRotation';
import { COMPARED_AT_MPS, lateralPerDegree, steeredCar } from '@/core/rotation/sensitivity';
import type { Menus } from '@/core/settings/menus';
import { rotationInForce, type RotationInForce } from '@/core/settings/rotationOf';
import type { SettingValues } from '@/core/settings/setting';
import { effectiveSettings, valuesOf, type EffectiveSettings, type TrailEvent } from '@/core/settings/trail';
import { database } from '@/data/book';
import { changesByRig, listChanges } from '@/data/changes';
import type { Combination } from '@/core/settings/scope';
import { listCombinations, type KnownCombination } from '@/data/combination';
import { listTitles } from '@/data/ownTitles';
import { listRigs, type Rig } from '@/data/rigs';
import { oncePerChange } from './bookChanged';
import type { BookView } from './bookView';
import type { CarSide } from './force/carSides';

/** What holds in one combination: the same for the one that is open and for any other. */
export interface CombinationState {
  combination: KnownCombination;
  name: string;
  menus: Menus;
  effective: EffectiveSettings;
  settings: SettingValues;
  rotation: RotationInForce;
  /** Lateral acceleration per degree of the hands at 30 m/s, m/s². */
  lateral: number;
}

export function combinationState(
  combination: KnownCombination,
  rig: Rig,
  events: readonly TrailEvent[],
  titles: Titles,
): CombinationState {
  const title = titles.byId(combination.titleId);
  const car = carById(combination.carId);
  const menus = menusFor(rig.spec, title, car);
  const effective = effectiveSettings(events, combination);
  const settings = valuesOf(effective);
  const rotation = rotationInForce(menus, settings, car.lockDeg, title.rotation === 'stretch');
  return {
    combination,
    name: combinationName(combination, rig.name, title.name),
    menus,
    effective,
    settings,
    rotation,
    lateral: lateralPerDegree(steeredCar(car), matchRotation(rotation).gain, COMPARED_AT_MPS),
  };
}

/** "Tern in Causeway with the Marl 850, Late shift". */
export function combinationName(
  { carId, driver, branch }: Combination,
  rigName: string,
  titleName: string,
): string {
  const main = `${rigName} in ${titleName} with the ${carById(carId).name}, ${driver}`;
  return branch ? `${main}, branch “${branch}”` : main;
}

/** A combination as the book lists it. */
export interface CombinationLine extends KnownCombination {
  name: string;
  baseDeg: number;
  lateral: number;
}

/** Every combination that was opened, the latest first, and how its car answers to the hands. */
export const combinationLines = oncePerChange(async (): Promise<CombinationLine[]> => {
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
export async function carSides({ rig, title, combination }: BookView): Promise<CarSide[]> {
  const db = await database();
  const [events, titles] = await Promise.all([listChanges(db, rig.id), listTitles(db)]);
  return title.carIds
    .filter((carId) => carId !== combination.carId)
    .map((carId) => {
      const other = { ...combination, carId, openedAtMs: 0 };
      const { menus, settings, rotation } = combinationState(other, rig, events, titles);
      return { car: carById(carId), menus, settings, rotationDeg: rotation.baseDeg };
    });
}
