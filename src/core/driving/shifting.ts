import type { ClutchBy } from '../vehicle/transmission';

/** What shifts the gears: they do it by themselves, the paddles of the rim, or the rig's own lever. */
export const SHIFTERS = ['self', 'paddles', 'lever'] as const;

export interface Shifting {
  gears: (typeof SHIFTERS)[number];
  clutch: ClutchBy;
  /** What the second paddle of a two-stage clutch is worth when it is pulled: clutch travel, 0…1. */
  hold: number;
}

/** Neither hand nor foot has anything to do with it. */
export const BY_ITSELF: Shifting = { gears: 'self', clutch: 'self', hold: 0 };

/** One place of a lever as its capture read it: 1… forward or up, −1 reverse or down, 0 neutral. */
interface LeverPlace {
  gear: number;
  reading: number;
}

export interface LiveLever {
  places: LeverPlace[];
  /** Pushed and pulled for the next gear up or down; else every gear has its gate. */
  isSequential: boolean;
}

/** The place that a reading is nearest to. */
export const leverAt = ({ places }: LiveLever, reading: number): number =>
  places.reduce((best, one) =>
    Math.abs(one.reading - reading) < Math.abs(best.reading - reading) ? one : best,
  ).gear;
