/** What is believed of one setting's best value, as shares of its range. */
export interface Believed {
  mean: number;
  /** 90 % interval as the answers have it. */
  low: number;
  high: number;
  /** Mean σ of the driver's feel. */
  sigma: number;
}

/** What some answers say of the best values. */
export interface Belief {
  settings: Believed[];
  /** Σ log of the chance that each answer had before it was given. */
  logPredictive: number;
  /** How much a ride at a place would tell of the best values, in nats. @param before the ride before it, if any */
  tells(at: readonly number[], before: readonly number[] | null): number;
}
