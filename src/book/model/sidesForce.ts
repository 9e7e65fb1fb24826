import type { HandsOffVerdict } from '@/core/force/handsOff';

/** What one side's settings make of the force of logged rides, and of the rim that is let go. Nothing of it is tested. */
export interface SideForce {
  /** Means over rides; `null` where none of them logged what it needs. */
  clipShare: number | null;
  sustainedShare: number | null;
  cornerNm: number | null;
  detail: number | null;
  roughness: number | null;
  /** Let go at a slow roll and at speed. */
  roll: HandsOffVerdict;
  fast: HandsOffVerdict;
  /** How soon a let-go rim turns half a turn, s; `null` where it takes over a second. */
  halfTurnS: number | null;
}

export interface SidesForce {
  a: SideForce;
  b: SideForce;
  /** Both sides' settings over all the laps, so that nothing but the settings differs; else each side's over its own. */
  isSameLaps: boolean;
  /** Rides that logged the force. */
  rides: number;
  /** Rows a second of the slowest of them; `null` where there is none. */
  rateHz: number | null;
}
