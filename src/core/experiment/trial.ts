import { z } from 'zod';
import { settingText, dimensionSchema } from './planParts';
import { HIGHEST_RATING, LOWEST_RATING } from './pairedRatings';

/** How a ride that was to be driven went. What did not count is driven again. */
export const OUTCOMES = ['ridden', 'crash', 'wrong load', 'break'] as const;
export type TrialOutcome = (typeof OUTCOMES)[number];

/** A ride of an experiment, as it was booked. */
export interface Trial {
  /** Which ride of the plan, from 0. */
  place: number;
  atMs: number;
  outcome: TrialOutcome;
  /** The log, where there is one. */
  rideId: string | null;
  /** What was loaded, where a plan does not say it beforehand: a search leads from ride to ride. */
  values: Record<string, number> | null;
  /** Firmware of the rig and version of the title as they were then. */
  software: string;
}

/** As a pre-flight's stamp has both. */
export const softwareSchema = z.string().max(4100);
export const trialValuesSchema = z.record(settingText, z.number()).nullable();

const sureSchema = z.enum(['guess', 'think', 'sure']).nullable();
export const ratingSchema = z.int().min(LOWEST_RATING).max(HIGHEST_RATING);

/** What was said: of a pair, which of its two; of a single ride, how it felt. `none` also where it was noticed otherwise. */
export const saidSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('pair'),
    answer: z.enum(['first', 'second', 'none']),
    sure: sureSchema,
    noticed: z.boolean(),
    /** Of a pair that asks how fine a setting is felt: how far apart its rides were, as the server had it. */
    apart: z.number().positive().optional(),
  }),
  z.strictObject({
    kind: z.literal('feel'),
    better: z.enum(['this', 'before']).nullable(),
    wants: z.record(settingText, z.enum(['more', 'less', 'right']).nullable()),
  }),
]);
export type Said = z.output<typeof saidSchema>;

/** An answer to the pair, or the ride, at a place. */
export interface Answer {
  place: number;
  atMs: number;
  said: Said;
}

export const ratingsSchema = z.partialRecord(dimensionSchema, ratingSchema);

/** The rides that count, in order: the last word on each place is what holds. */
export const ridden = (trials: readonly Trial[]): Trial[] =>
  trials.filter(({ outcome }) => outcome === 'ridden').toSorted((a, b) => a.place - b.place);

/** Places of the rides before which firmware or the version of the title changed. */
export function softwareChangedAt(trials: readonly Trial[]): number[] {
  const driven = ridden(trials);
  return driven.flatMap(({ place, software }, i) =>
    i > 0 && driven[i - 1]!.software !== software ? [place] : [],
  );
}

/** Pairs in the middle of which it changed: they compare two things at once. */
export const splitPairs = (trials: readonly Trial[]): number[] =>
  softwareChangedAt(trials).flatMap((place) => (place % 2 === 1 ? [place >> 1] : []));
