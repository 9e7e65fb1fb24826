import { z } from 'zod';

/** Where practitioners disagree, each driver chooses once and may choose again. */
export const schoolsSchema = z.strictObject({
  rotation: z.enum(['one', 'own']),
  clipping: z.enum(['none', 'trade']).default('trade'),
  smoothing: z.enum(['raw', 'smooth', 'quiet']).default('smooth'),
  spring: z.enum(['off', 'some']).default('off'),
  weight: z.enum(['car', 'light']).default('light'),
});
export type Schools = z.output<typeof schoolsSchema>;

/**
 * The title shows where the car's lock is and the rim stops there; the biggest hits may clip for a livelier rest; as smooth as the
 * title means it; no force but the tyres'; light in the hands.
 */
export const USUAL_SCHOOLS: Schools = {
  rotation: 'own',
  clipping: 'trade',
  smoothing: 'smooth',
  spring: 'off',
  weight: 'light',
};
