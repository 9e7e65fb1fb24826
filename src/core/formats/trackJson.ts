import { z } from 'zod';
import { fail, type Outcome } from '../problem';
import { layTrack, type TrackSpec } from '../vehicle/track';
import { idSchema, line } from '../text/line';
import { readDocument } from './jsonDocument';

/** A closed road ends where it began, within this. */
const MOST_GAP_M = 0.1;
const SHORTEST_M = 50;
const LONGEST_M = 100_000;

const segmentSchema = z.strictObject({
  straightM: z.number().min(0).max(20_000),
  radiusM: z
    .number()
    .refine((r) => Math.abs(r) >= 3 && Math.abs(r) <= 20_000, 'a corner needs a radius of 3 m to 20 km'),
  angleDeg: z.number().min(-1080).max(1080),
  clothoidM: z.number().min(0).max(2000),
  bumpy: z.boolean().exactOptional(),
  kerbM: z.number().positive().max(50).exactOptional(),
});

const trackSchema = z.strictObject({
  format: z.literal('pebble-road/track'),
  version: z.literal(1),
  id: idSchema,
  name: line(80).min(1, 'a road needs a name'),
  widthM: z.number().min(2).max(100),
  closed: z.boolean(),
  segments: z
    .array(segmentSchema)
    .min(1)
    .max(500)
    .refine(
      (all) => all.every((s) => Math.sign(s.radiusM) === Math.sign(s.angleDeg)),
      'radius and angle must have the same sign (right negative)',
    )
    .refine(
      (all) => all.every((s) => (Math.abs(s.angleDeg) * Math.PI * Math.abs(s.radiusM)) / 180 >= s.clothoidM),
      'a corner must be longer than one of its clothoids',
    ),
});

/** Reads a `*.track.json`: a road of 50 m to 100 km; a closed one ends where it began. */
export function readTrackJson(text: string): Outcome<TrackSpec> {
  const read = readDocument(text, trackSchema, 'pebble-road/track');
  if (!read.ok) return read;
  const say = (code: string, message: string, remedy: string) =>
    fail({ code, message, place: { column: 'segments' }, remedy });
  const lengthM = read.value.segments.reduce((sum, s) => sum + lengthOf(s), 0);
  if (lengthM < SHORTEST_M || lengthM > LONGEST_M)
    return say(
      'wrong-length',
      `The road is ${lengthM.toFixed(0)} m long.`,
      `Give it ${SHORTEST_M} m to ${LONGEST_M / 1000} km.`,
    );
  const { gapM } = layTrack(read.value);
  if (read.value.closed && gapM > MOST_GAP_M)
    return say(
      'not-closed',
      `The road is said to be closed, and ends ${gapM.toFixed(1)} m from where it begins.`,
      `Let it end within ${MOST_GAP_M} m, or set "closed" to false.`,
    );
  return read;
}

/** Each corner's angle includes half of either clothoid. */
function lengthOf({ straightM, radiusM, angleDeg, clothoidM }: TrackSpec['segments'][number]): number {
  return straightM + (Math.abs(angleDeg) * Math.PI * Math.abs(radiusM)) / 180 + clothoidM;
}
