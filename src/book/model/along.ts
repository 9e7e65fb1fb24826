import type { PairsAlongRoad } from '@/core/experiment/alongPairs';
import type { RoadPlace } from '@/core/vehicle/roadPlaces';
import type { RoadMap } from './rideTrace';

/** The road on which rides were driven, as far as it is known. */
export interface RoadDriven {
  /** `null` where no ride says where it went. */
  map: RoadMap | null;
  /** Its corners by number; none of a road that only a log knows. */
  places: RoadPlace[];
}

/** A and B of a question over distance, and the road that they were driven on. */
export interface AlongOfBoth extends RoadDriven {
  /** `null` where no whole pair can be laid over the other. */
  along: PairsAlongRoad | null;
}
