import { z } from 'zod';
import { fail, succeed, type Outcome } from '../problem';
import { baseProgramSchema } from '../rig/rigSpec';
import { line } from '../text/line';
import { readDocument } from './jsonDocument';
import { describedCarSchema } from './ownCarJson';
import { readTitleDocument, titleDocumentSchema } from './titleJson';
import { describedTrackSchema, trackFaults } from './trackJson';

const THINGS_FORMAT = 'pebble-road/things';
const BASE_FORMAT = 'pebble-road/base';
const MOST = 500;

/** What a driver described: titles, cars, roads, and the program of a base. */
const thingsSchema = z.strictObject({
  titles: z.array(titleDocumentSchema).max(MOST),
  cars: z.array(describedCarSchema).max(MOST),
  roads: z.array(describedTrackSchema).max(MOST),
  base: baseProgramSchema.nullable(),
  /** Whose they are and when they were written, in words. */
  origin: line(300),
});
export type Things = z.output<typeof thingsSchema>;

const fileSchema = thingsSchema.extend({ format: z.literal(THINGS_FORMAT), version: z.literal(1) });
const baseFileSchema = baseProgramSchema.extend({ format: z.literal(BASE_FORMAT), version: z.literal(1) });
type BaseProgram = z.output<typeof baseProgramSchema>;

/** Reads a `*.pack.json`: what somebody described, all in one; each of it as its own file would be read. */
export function readThingsJson(text: string): Outcome<Things> {
  const read = readDocument(text, fileSchema, THINGS_FORMAT);
  if (!read.ok) return read;
  const { titles, cars, roads, base, origin } = read.value;
  const things: Things = { titles, cars, roads, base, origin };
  for (const [i, title] of things.titles.entries()) {
    const sound = readTitleDocument(title);
    if (!sound.ok)
      return fail(...sound.problems.map((p) => ({ ...p, place: { ...p.place, column: `titles[${i}]` } })));
  }
  for (const [i, road] of things.roads.entries()) {
    const faults = trackFaults(road);
    if (faults.length > 0) return fail(...faults.map((p) => ({ ...p, place: { column: `roads[${i}]` } })));
  }
  return succeed(things);
}

export function writeThingsJson(things: Things): string {
  return `${JSON.stringify({ format: THINGS_FORMAT, version: 1, ...things }, null, 2)}\n`;
}

/** Reads a `*.base.json`: what a base's own program lets one set. */
export function readBaseJson(text: string): Outcome<BaseProgram> {
  const read = readDocument(text, baseFileSchema, BASE_FORMAT);
  if (!read.ok) return read;
  const { name, steering, axes, fields } = read.value;
  return succeed({ name, steering, axes, fields });
}

export function writeBaseJson(program: BaseProgram): string {
  return `${JSON.stringify({ format: BASE_FORMAT, version: 1, ...program }, null, 2)}\n`;
}
