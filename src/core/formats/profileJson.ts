import { z } from 'zod';
import type { Outcome } from '../problem';
import { forceSchema } from './forceJson';
import { readDocument } from './jsonDocument';
import { layerSchema } from './responseJson';

const wornSchema = z.strictObject({
  from: z.number().min(0).max(1),
  to: z.number().min(0).max(1),
  sigma: z.number().nonnegative(),
  dropoutsPerS: z.number().nonnegative(),
});

export const pedalHardwareSchema = z.strictObject({
  released: z.number(),
  pressed: z.number(),
  sigma: z.number().nonnegative(),
  quantum: z.number().positive(),
  rangeMin: z.number(),
  rangeMax: z.number(),
  driftPerMin: z.number().exactOptional(),
  spikesPerMin: z.number().nonnegative().exactOptional(),
  worn: z.array(wornSchema).exactOptional(),
});

export const footSchema = z.strictObject({
  restTravel: z.number().min(0).max(0.5),
  restWander: z.number().min(0).max(0.1),
  pressTravel: z.number().min(0.1).max(1),
  pressSpread: z.number().min(0).max(0.3),
});

const pedalSchema = z.strictObject({
  hardware: pedalHardwareSchema,
  calibration: z.strictObject({ released: z.number(), pressed: z.number() }),
  /** Response layers in signal order: base, title, car. */
  layers: z.array(layerSchema).max(3),
});

export const PROFILE_FORMAT = 'pebble-road/profile';

/** A combination as it is driven: hardware, calibration and layers per pedal, and the foot that works them. */
export const profileSchema = z.strictObject({
  format: z.literal(PROFILE_FORMAT),
  version: z.literal(1),
  name: z.string().min(1).max(200),
  rig: z.string(),
  title: z.string(),
  car: z.string(),
  driver: z.string(),
  pedals: z.strictObject({ throttle: pedalSchema, brake: pedalSchema }),
  foot: footSchema,
  /** The force chain; a profile without it is driven without force. */
  force: forceSchema.exactOptional(),
});
export type Profile = z.output<typeof profileSchema>;

export function readProfileJson(text: string): Outcome<Profile> {
  return readDocument(text, profileSchema, PROFILE_FORMAT);
}

export function writeProfileJson(profile: Profile): string {
  return `${JSON.stringify(profile, null, 2)}\n`;
}
