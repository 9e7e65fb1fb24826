import type { RideFigures } from '@/core/rides/rideFigures';
import type { RideRow } from '@/core/rides/rideRow';

export interface RideView extends RideRow, RideFigures {
  /** Settings that changed since the ride before; more than one makes this ride confounded. */
  changed: string[];
}
