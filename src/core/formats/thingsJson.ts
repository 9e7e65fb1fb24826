import { z } from 'zod';
import { fail, succeed, type Outcome } from '../problem';
import { baseProgramSchema } from '../rig/rigSpec';
import { line } from '../text/line';
import { jsonFormat } from './jsonFormat';
import { describedCarSchema } from './ownCarJson';
import { readTitleDocument, titleDocumentSchema } from './titleJson';
import { describedTrackSchema, trackFaults } from './trackJson';

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

/** A `*.pack.json`: what somebody described, all in one; each of it is read as its own file would be. */
export const { read: readThingsJson, write: writeThingsJson } = jsonFormat({
  name: 'things',
  schema: thingsSchema,
  sound: soundThings,
});

/** A `*.base.json`: what a base's own program lets one set. */
export const { read: readBaseJson, write: writeBaseJson } = jsonFormat({
  name: 'base',
  schema: baseProgramSchema,
});

function soundThings(things: Things): Outcome<Things> {
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
