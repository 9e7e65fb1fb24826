import type { SettingValues } from '../settings/setting';
import type { Road } from './road';

export interface RideRow {
  id: string;
  atMs: number;
  road: Road;
  seed: number;
  settings: SettingValues;
  mark: 'A' | 'B' | null;
}
