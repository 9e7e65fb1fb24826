import { AXIS_NAMES } from '@/core/axes/axes';
import type { MenuField } from '@/core/response/menuSchema';
import { keyText, LAYERS } from '@/core/settings/setting';
import type { BookView } from '../model/bookView';
import { settingName } from './trail';

/** A setting that a question can be about. */
export interface AskableSetting {
  key: string;
  name: string;
  field: MenuField;
  /** As it is set, else its neutral. */
  value: number;
}

/** Every setting of a combination that is a number, layer by layer. */
export function askableSettings({ menus, settings }: Pick<BookView, 'menus' | 'settings'>): AskableSetting[] {
  return LAYERS.flatMap((layer) =>
    AXIS_NAMES.flatMap((axis) =>
      (menus[layer][axis]?.dialect.fields ?? []).map((field): AskableSetting => {
        const at = { layer, axis, field: field.key };
        const set = settings[keyText(at)];
        return {
          key: keyText(at),
          name: settingName({ menus }, at),
          field,
          value: typeof set === 'number' ? set : field.neutral,
        };
      }),
    ),
  );
}
