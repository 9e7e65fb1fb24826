import type { Hardware, SetAxis } from '@/core/settings/transferSettings';
import type { SettingValues } from '@/core/settings/setting';
import type { Effective } from '@/core/settings/trail';

/** Another combination as far as it is compared. */
export interface OtherCombination {
  text: string;
  name: string;
  settings: SettingValues;
  origins: Record<string, Effective>;
  set: SetAxis[];
  hardware: Hardware;
  isSameMenu: boolean;
}
