import type { CarSpec } from '@/core/vehicle/carSpec';
import type { Menus } from '@/core/settings/menus';
import type { SettingValues } from '@/core/settings/setting';

/** Another car of the title under the same driver on the same rig, with what holds for it. */
export interface CarSide {
  car: CarSpec;
  menus: Menus;
  settings: SettingValues;
  rotationDeg: number | null;
}
