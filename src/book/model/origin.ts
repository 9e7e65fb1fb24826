import type { Scope } from '@/core/settings/scope';
import type { SettingValue } from '@/core/settings/setting';

/** A value in force, and the change that it comes from. */
export interface Origin {
  value: SettingValue;
  scope: Scope;
  atMs: number;
  why: string;
}
