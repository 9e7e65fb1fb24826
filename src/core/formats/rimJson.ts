import { z } from 'zod';
import { buttonMapSchema, EMPTY_MAP } from '../buttons/buttonMap';
import { MOST_BUTTONS, rimButtonSchema } from '../rig/rimButton';
import { jsonFormat } from './jsonFormat';

const rimFileSchema = z.strictObject({
  buttons: z
    .array(rimButtonSchema)
    .min(1)
    .max(MOST_BUTTONS)
    .refine(
      (all) => new Set(all.map(({ index }) => index)).size === all.length,
      'a button stands there once',
    ),
  map: buttonMapSchema.default(EMPTY_MAP),
});

/** Buttons of a rim, and what they do in a title. */

/** A `*.rim.json`. */
export const { read: readRimJson, write: writeRimJson } = jsonFormat({ name: 'rim', schema: rimFileSchema });
