import type { Hardware, SetAxis } from '@/core/settings/transferSettings';
import type { SettingValues } from '@/core/settings/setting';
import type { Origin } from './origin';

/** Another combination as far as it is compared. */
export interface OtherCombination {
  text: string;
  name: string;
  settings: SettingValues;
  origins: Record<string, Origin>;
  set: SetAxis[];
  hardware: Hardware;
  isSameMenu: boolean;
}
