import type { Comparison } from '@/core/experiment/compareRides';
import type { SettingValue } from '@/core/settings/setting';
import type { RideLine } from './rideView';
import type { TrailChangeItem } from './trailView';

export interface Pair {
  a: Pick<RideLine, 'id' | 'atMs'>;
  b: Pick<RideLine, 'id' | 'atMs'>;
  /** How many rides stand on each side. */
  sides: { ridesA: number; ridesB: number };
  /** Changes in force that were made between the two, the newest of them. */
  between: TrailChangeItem[];
  comparisons: Comparison[];
  /** Settings that differ between the two. */
  changed: string[];
  /** Which of several changes did it; `null` where there is but one, or nothing differs. */
  apart: RidesToldApart | null;
  /** What is to be set for the next ride that tells more of it. */
  putBack: { key: string; to: SettingValue | null }[];
}

/** Which of several changes between two rides did it, as far as rides with some of them put back tell. */
export interface RidesToldApart {
  /** What it is judged by. */
  label: string;
  /** Settings by how likely each is the one. */
  shares: { key: string; share: number }[];
  found: string | null;
  /** Settings to put back for the next ride, all others kept. */
  next: string[] | null;
  isHard: boolean;
  /** Rides with some put back that were driven. */
  rides: number;
}
