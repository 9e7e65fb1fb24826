import type { Comparison } from '@/core/decide/compareRides';
import type { RideView } from './rideView';
import type { TrailChangeItem } from './trailView';

export interface Pair {
  a: RideView;
  b: RideView;
  /** How many rides stand on each side. */
  sides: { ridesA: number; ridesB: number };
  /** Changes in force that were made between the two, the newest of them. */
  between: TrailChangeItem[];
  comparisons: Comparison[];
}
