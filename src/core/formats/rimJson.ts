import { z } from 'zod';
import { buttonMapSchema, EMPTY_MAP, type ButtonMap } from '../buttons/buttonMap';
import { succeed, type Outcome } from '../problem';
import { MOST_BUTTONS, rimButtonSchema, type RimButton } from '../rig/rimButton';
import { readDocument } from './jsonDocument';

const RIM_FORMAT = 'pebble-road/rim';

const fileSchema = z.strictObject({
  format: z.literal(RIM_FORMAT),
  version: z.literal(1),
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
export interface RimFile {
  buttons: RimButton[];
  map: ButtonMap;
}

/** Reads a `*.rim.json`. */
export function readRimJson(text: string): Outcome<RimFile> {
  const read = readDocument(text, fileSchema, RIM_FORMAT);
  return read.ok ? succeed({ buttons: read.value.buttons, map: read.value.map }) : read;
}

export function writeRimJson(rim: RimFile): string {
  return `${JSON.stringify({ format: RIM_FORMAT, version: 1, ...rim }, null, 2)}\n`;
}
