export type StationId = 'ready' | 'axes' | 'shape' | 'lock' | 'force' | 'ride' | 'verdict' | 'card';

export type Health = 'untouched' | 'under-way' | 'settled' | 'look';

export interface StationHealth {
  id: StationId;
  name: string;
  /** Its page; of the axes the one that needs a look first. */
  path: string;
  health: Health;
  /** One line of the reason. */
  reason: string;
}
