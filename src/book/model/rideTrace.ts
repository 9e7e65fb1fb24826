/** Median lap of a ride over distance, for drawing. */
export interface RideTrace {
  stepM: number;
  brake: number[];
  throttle: number[];
  /** m/s. */
  speed: number[];
}

export interface RoadMap {
  name: string;
  lengthM: number;
  closed: boolean;
  points: [number, number][];
}
