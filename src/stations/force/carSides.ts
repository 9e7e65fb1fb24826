import type { CarSpec } from '@/core/vehicle/carSpec';
import type { Menus } from '@/core/settings/menus';
import { changedBetween, keyOfText, type SettingValues } from '@/core/settings/setting';
import type { OtherCar } from '@/workers/force.worker';
import type { BookView } from '../bookView';
import { anyRidePlan } from '../ride/ridePlan';
import { withTried } from '../useTrying';

/** Another car of the title under the same driver on the same rig, with what holds for it. */
export interface CarSide {
  car: CarSpec;
  menus: Menus;
  settings: SettingValues;
  rotationDeg: number | null;
}

const LAPS = 1;
const SEED = 11;

/** The other cars as the force worker drives them; what is tried on base and title is tried on them too. */
export function otherCarsOf(view: BookView, sides: readonly CarSide[], tried: SettingValues): OtherCar[] {
  // Only what is tried: what is kept may hold for the open car alone.
  const changed = changedBetween(view.settings, tried).filter((text) => keyOfText(text).layer !== 'car');
  return sides.map(({ car, menus, settings, rotationDeg }) => ({
    facts: {
      car,
      rig: view.rig.spec,
      rateHz: view.title.forceHz,
      menus,
      values: withTried(settings, Object.fromEntries(changed.map((text) => [text, tried[text] ?? null]))),
      rotationDeg,
    },
    plan: { ...anyRidePlan(view, LAPS, SEED), car },
  }));
}
