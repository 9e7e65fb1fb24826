import { z } from 'zod';
import { atMsSchema } from '../text/time';

const finite = z.number().min(-1e6).max(1e6);
/** A figure with its 95 % interval. */
const estimateSchema = z
  .strictObject({ value: finite, low: finite, high: finite })
  .refine(({ value, low, high }) => low <= value && value <= high, 'a figure lies within its interval');
const positive = estimateSchema.refine(({ value }) => value > 0, 'it is above 0');

/**
 * What was measured of a base with the rim that is on it. Absolute figures are `null` where no known mass was hung on the rim:
 * then only what is in proportion to the inertia is known.
 */
export const measuredBaseSchema = z.strictObject({
  atMs: atMsSchema,
  /** How: spins by hand, and a known mass on the rim where the last three are known. */
  method: z.literal('by-hand'),
  swings: z.number().int().min(1).max(10_000),
  /** rad/s² and 1/s. */
  frictionOverInertia: positive,
  dampingOverInertia: estimateSchema,
  /** kg·m² of motor and rim, N·m, N·m·s/rad. */
  inertiaKgM2: positive.nullable(),
  frictionNm: positive.nullable(),
  dampingNmsPerRad: estimateSchema.nullable(),
});
export type MeasuredBase = z.output<typeof measuredBaseSchema>;

/** How many earlier measurements a rig keeps. */
export const MOST_MEASUREMENTS = 12;
