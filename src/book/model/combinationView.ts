import type { Menus } from '@/core/settings/menus';
import type { RotationInForce } from '@/core/settings/rotationOf';
import type { SettingValues } from '@/core/settings/setting';
import type { EffectiveSettings } from '@/core/settings/trail';
import type { Combination } from '@/core/settings/scope';
import type { KnownCombination } from '@/core/settings/scope';

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

/** "Tern in Causeway with the Marl 850, Late shift". */
export function combinationName(
  { driver, branch }: Combination,
  rigName: string,
  titleName: string,
  carName: string,
): string {
  const main = `${rigName} in ${titleName} with the ${carName}, ${driver}`;
  return branch ? `${main}, branch “${branch}”` : main;
}

/** A combination as the book lists it. */
export interface CombinationLine extends KnownCombination {
  name: string;
  baseDeg: number;
  lateral: number;
}
