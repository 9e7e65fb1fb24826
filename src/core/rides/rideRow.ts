import type { SettingValues } from '../settings/setting';

export interface RideRow {
  id: string;
  atMs: number;
  trackId: string;
  seed: number;
  settings: SettingValues;
  mark: 'A' | 'B' | null;
}
