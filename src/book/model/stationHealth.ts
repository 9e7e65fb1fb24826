export type StationId = 'ready' | 'axes' | 'shape' | 'lock' | 'force' | 'ride' | 'verdict' | 'card';

export type Health = 'untouched' | 'under-way' | 'settled' | 'look';

/** What is to be said of a station, in two lengths: both come from one judgement. */
export interface Finding {
  health: Health;
  /** One line of the reason, for the road. */
  reason: string;
  /** The heading of the station. */
  heading: string;
}

export interface StationHealth extends Finding {
  id: StationId;
  name: string;
  /** Its page; of the axes the one that needs a look first. */
  path: string;
}
