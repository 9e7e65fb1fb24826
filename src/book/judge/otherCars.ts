import { changedBetween, keyOfText, type SettingValues } from '@/core/settings/setting';
import type { OtherCar } from '@/core/force/forceReport';
import type { BookView } from '../model/bookView';
import { anyRidePlan, FORCE_SEED } from './ridePlan';
import { withDraft } from '@/core/settings/withDraft';
import type { CarSide } from '../model/carSide';

const LAPS = 1;

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
      values: withDraft(settings, Object.fromEntries(changed.map((text) => [text, tried[text] ?? null]))),
      rotationDeg,
    },
    plan: { ...anyRidePlan(view, LAPS, FORCE_SEED), car },
  }));
}
