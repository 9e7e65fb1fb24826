import type { WhyNot } from '@/core/rides/laps';
import type { RideFigures } from '@/core/rides/rideFigures';
import type { RideRow } from '@/core/rides/rideRow';
import type { SettingValues } from '@/core/settings/setting';

/** So many rides are listed until more are asked for. */
export const RIDES_SHOWN = 12;

/** A ride with all that it says. */
export interface RideView extends RideRow, RideFigures {
  /** Settings that changed since the ride before; more than one makes this ride confounded. */
  changed: string[];
}

/** What the newest ride says of pedals and force. */
export interface NewestRide extends Pick<RideView, 'id' | 'road' | 'clipping' | 'importedFrom' | 'isDriven'> {
  settings: SettingValues;
  /** Laps that count. */
  counted: number;
  summary: RideView['measures']['summary'];
}

/** A ride as lists show it: the same size whatever it holds. */
export interface RideLine extends Pick<
  RideView,
  'id' | 'atMs' | 'road' | 'mark' | 'changed' | 'importedFrom'
> {
  /** Whether its force was logged. */
  hasForce: boolean;
  /** Laps that count. */
  counted: number;
  /** Mean of the counted laps, s. */
  lapTimeS: number | null;
  /** Its first laps: the time of one that counts, s, else why it does not. */
  laps: (number | WhyNot)[];
  /** How many more laps it has than are listed. */
  moreLaps: number;
}

/** A log that holds the force of a car, and what it was driven with. */
export interface CarLog {
  carId: string;
  id: string;
  name: string;
  settings: SettingValues;
}
