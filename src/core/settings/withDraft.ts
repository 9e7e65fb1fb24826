import type { SettingValue, SettingValues } from './setting';

export type Draft = Record<string, SettingValue | null>;

/** Settings with what is tried over them; `null` takes a value away. */
export function withDraft(settings: SettingValues, tried: Draft): SettingValues {
  return Object.fromEntries(
    Object.entries({ ...settings, ...tried }).filter(
      (entry): entry is [string, SettingValue] => entry[1] !== null,
    ),
  );
}
