import type { Comparison } from '@/core/experiment/compareRides';
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
}
