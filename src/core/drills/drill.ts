import { fail, type Outcome } from '../problem';
import type { RideColumn, RideLog } from '../rides/rideLog';

/** What a drill measures of an attempt; `null` where an optional column is missing or nothing of it happened. */
export type Measures = Record<string, number | null>;

export interface DrillMeasured {
  measures: Measures;
  warnings: string[];
}

export interface DrillOptions {
  /** Middle of the circle, m; fitted where nobody says. */
  centre?: readonly [number, number];
  /** Hand wheel to road wheel, where the car is known. */
  steeringRatio?: number;
  /** Lock to lock of the hand wheel, where the car is known. */
  lockDeg?: number;
}

/** A drill as its log is read. */
export interface Drill {
  /** Columns beside `t_s` without which nothing can be said. */
  needs: readonly RideColumn[];
  /** What is measured, in the order in which it is shown. */
  names: readonly string[];
  /** Where an attempt begins on the place of the drills, how fast it rolls there, and how long it lasts. */
  course: { at: 'lane' | 'circle' | 'hairpin'; speedMps: number; seconds: number };
  /** The measure by which an attempt is judged. */
  leading: string;
  /** Which way of a measure is better; one that is missing is shown, and judged by nobody. */
  better: Record<string, 'less' | 'more'>;
  /** Where one foot works about one place: the measure that its curve makes larger, and the output at which it worked. */
  foot?: {
    axis: 'throttle' | 'brake';
    measure: string;
    worksAt(log: RideLog, measures: Measures): number | null;
  };
  measure(log: RideLog, options: DrillOptions): Outcome<DrillMeasured>;
}

/** The log holds no attempt of this drill. */
export const noAttempt = (drill: string, message: string, remedy: string) =>
  fail<DrillMeasured>({ code: `no-${drill}`, message, place: {}, remedy });
