import { z } from 'zod';
import { fail, succeed, type Outcome } from '../problem';
import { line } from '../text/line';
import { dialectFieldSchema, soundDialect } from './dialectJson';
import { schemaProblem } from './schemaProblem';

export const ownTitleNameSchema = line(40).min(1, 'a title needs a name');

/** A title that a driver described from its menus: the fields that every axis has, and those of the steering. */
export const ownTitleSchema = z.strictObject({
  name: ownTitleNameSchema,
  rotation: z.enum(['direct', 'stretch']),
  fields: z.array(dialectFieldSchema).min(1).max(12),
  steering: z.array(dialectFieldSchema).max(4),
});
export type OwnTitleDocument = z.output<typeof ownTitleSchema>;

/** Reads one, and refuses it where its fields contradict each other. */
export function readOwnTitle(input: unknown): Outcome<OwnTitleDocument> {
  const read = ownTitleSchema.safeParse(input);
  if (!read.success) return fail(...read.error.issues.slice(0, 3).map((issue) => schemaProblem(issue)));
  const { name, fields, steering } = read.data;
  const sound = soundDialect(
    { format: 'pebble-road/dialect', version: 1, name, axis: 'steering', fields: [...steering, ...fields] },
    '',
  );
  return sound.ok ? succeed(read.data) : sound;
}
