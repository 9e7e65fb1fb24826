import { AXIS_WORDS } from '@/core/axes/axes';
import { isForceField } from '@/core/force/forceParameters';
import { menuField } from '@/core/settings/menus';
import {
  keyOfText,
  POINTS_FIELD,
  type Layer,
  type SettingKey,
  type SettingValue,
} from '@/core/settings/setting';
import { valueText } from '@/core/settings/trail';
import type { TrailChangeItem } from '../model/trailView';
import type { BookView, TrailChange } from '../model/bookView';
import { capital } from '@/words/format';

const ON_LAYER: Record<Layer, string> = { base: ' on the base', title: '', car: ' of the car' };

/** What a setting is called: "Brake dead zone", "Steering rotation on the base". */
export function settingName(view: Pick<BookView, 'menus'>, key: SettingKey): string {
  const label = key.field === POINTS_FIELD ? 'curve' : (menuField(view.menus, key)?.label ?? key.field);
  // The force is the rim's alone: no axis needs to be named.
  const axis = isForceField(key.field) ? '' : `${AXIS_WORDS[key.axis]} `;
  return capital(`${axis}${label.toLowerCase()}${ON_LAYER[key.layer]}`);
}

/** Names of settings that are given as text, in a sentence: "brake dead zone and brake saturation". */
export function settingNames(view: Pick<BookView, 'menus'>, keys: string[]): string {
  return keys.map((key) => settingName(view, keyOfText(key)).toLowerCase()).join(' and ');
}

/** "0 → 4": where nothing was set, the neutral stands. */
export function changeText(
  view: Pick<BookView, 'menus'>,
  { key, from, to }: { key: SettingKey; from: SettingValue | null; to: SettingValue | null },
): string {
  const neutral = menuField(view.menus, key)?.neutral ?? null;
  return `${valueText(from ?? neutral)} → ${valueText(to ?? neutral)}`;
}

/** A change as a pebble. */
export function changeItem(view: Pick<BookView, 'menus'>, event: TrailChange): TrailChangeItem {
  const what = `${settingName(view, event.key)} ${changeText(view, event)}`;
  return { kind: 'change', id: event.id, atMs: event.atMs, what, why: event.why, live: event.live };
}
