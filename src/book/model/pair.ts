import type { Comparison } from '@/core/decide/compareRides';
import type { RideView } from './rideView';
import type { RideTrace } from './rideTrace';

export interface Pair {
  a: RideView;
  b: RideView;
  traceA: RideTrace | null;
  traceB: RideTrace | null;
  comparisons: Comparison[];
}
