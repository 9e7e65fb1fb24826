import { z } from 'zod';
import { fail, succeed, type Outcome, type Problem } from '../problem';
import { layTrack, type TrackSpec } from '../vehicle/track';
import { idSchema, line } from '../text/line';
import { jsonFormat } from './jsonFormat';

/** A closed road ends where it began, within this. */
const MOST_GAP_M = 0.1;
const SHORTEST_M = 50;
const LONGEST_M = 100_000;
/** A road of which nobody said how wide it is. */
const USUAL_WIDTH_M = 10;
/** The tightest bend of a course: a car turns no tighter. */
const MOST_CURVATURE = 1 / 3;
const MOST_KNOTS = 2000;

const distance = z.number().min(0).max(LONGEST_M);

const segmentSchema = z.strictObject({
  straightM: z.number().min(0).max(20_000),
  radiusM: z
    .number()
    .refine((r) => Math.abs(r) >= 3 && Math.abs(r) <= 20_000, 'a corner needs a radius of 3 m to 20 km'),
  angleDeg: z.number().min(-1080).max(1080),
  clothoidM: z.number().min(0).max(2000),
  bumpy: z.boolean().exactOptional(),
  climbPercent: z.number().min(-40).max(40).exactOptional(),
  kerbM: z.number().positive().max(50).exactOptional(),
});

const courseSchema = z.strictObject({
  knots: z
    .array(z.tuple([distance, z.number().min(-MOST_CURVATURE).max(MOST_CURVATURE)]))
    .min(2)
    .max(MOST_KNOTS)
    .refine(
      (knots) => knots[0]![0] === 0 && knots.every(([at], i) => i === 0 || at > knots[i - 1]![0]),
      'knots begin at 0 m and go on',
    ),
  corners: z
    .array(
      z.strictObject({
        atM: distance,
        radiusM: z.number().positive().max(20_000),
        plusMinusM: z.number().min(0).max(20_000).nullable(),
        angleDeg: z.number().min(-3600).max(3600),
      }),
    )
    .max(500),
});

const shape = {
  name: line(80).min(1, 'a road needs a name'),
  widthM: z.number().min(2).max(100),
  closed: z.boolean(),
  segments: z
    .array(segmentSchema)
    .max(500)
    .refine(
      (all) => all.every((s) => Math.sign(s.radiusM) === Math.sign(s.angleDeg)),
      'radius and angle must have the same sign (right negative)',
    )
    .refine(
      (all) => all.every((s) => (Math.abs(s.angleDeg) * Math.PI * Math.abs(s.radiusM)) / 180 >= s.clothoidM),
      'a corner must be longer than one of its clothoids',
    ),
  course: courseSchema.exactOptional(),
  /** Where it comes from, in words; empty where nobody said. */
  origin: line(300).default(''),
};
const ONE_SHAPE = 'a road has either segments or a course';
const hasOneShape = ({ segments, course }: { segments: unknown[]; course?: unknown }) =>
  segments.length > 0 !== (course !== undefined);

/** A road of one's own, as a book keeps it. */
export const describedTrackSchema = z
  .strictObject({ ...shape, widthM: shape.widthM.nullable() })
  .refine(hasOneShape, { path: ['segments'], message: ONE_SHAPE });
export type DescribedTrack = z.output<typeof describedTrackSchema>;

const fileSchema = z
  .strictObject({
    id: idSchema.optional(),
    ...shape,
    widthM: shape.widthM.nullable().default(null),
    segments: shape.segments.default([]),
  })
  .refine(hasOneShape, { path: ['segments'], message: ONE_SHAPE });

/** A described road as the simulator drives it; a width that nobody gave is taken as usual. */
export function trackFrom(id: string, { origin: _, widthM, ...described }: DescribedTrack): TrackSpec {
  return { id, ...described, widthM: widthM ?? USUAL_WIDTH_M };
}

/** What keeps a road from being driven: nothing, or its length, or a closed one that doesn't close. */
export function trackFaults(described: DescribedTrack): Problem[] {
  const say = (code: string, message: string, remedy: string): Problem[] => [
    { code, message, place: { column: described.course ? 'course' : 'segments' }, remedy },
  ];
  const spec = trackFrom('described', described);
  const { course, segments } = described;
  const lengthM = course ? course.knots.at(-1)![0] : segments.reduce((sum, s) => sum + lengthOf(s), 0);
  if (lengthM < SHORTEST_M || lengthM > LONGEST_M)
    return say(
      'wrong-length',
      `The road is ${lengthM.toFixed(0)} m long.`,
      `Give it ${SHORTEST_M} m to ${LONGEST_M / 1000} km.`,
    );
  const { gapM } = layTrack(spec);
  if (spec.closed && gapM > MOST_GAP_M)
    return say(
      'not-closed',
      `The road is said to be closed, and ends ${gapM.toFixed(1)} m from where it begins.`,
      `Let it end within ${MOST_GAP_M} m, or set "closed" to false.`,
    );
  return [];
}

/** Reads a `*.track.json`: a road of 50 m to 100 km; a closed one ends where it began. */
export function readTrackJson(text: string): Outcome<TrackSpec> {
  const read = readFile(text);
  return read.ok ? succeed(trackFrom(read.value.id ?? 'described', read.value.described)) : read;
}

/** The same as a road of one's own, with where it comes from. */
export function readDescribedTrackJson(text: string): Outcome<DescribedTrack> {
  const read = readFile(text);
  return read.ok ? succeed(read.value.described) : read;
}

const trackFile = jsonFormat({ name: 'track', schema: fileSchema });
export const writeTrackJson: (track: DescribedTrack) => string = trackFile.write;

function readFile(text: string): Outcome<{ id: string | undefined; described: DescribedTrack }> {
  const read = trackFile.read(text);
  if (!read.ok) return read;
  const { id, name, widthM, closed, segments, course, origin } = read.value;
  const described: DescribedTrack = { name, widthM, closed, segments, ...(course && { course }), origin };
  const faults = trackFaults(described);
  return faults.length > 0 ? fail(...faults) : succeed({ id, described });
}

/** Each corner's angle includes half of either clothoid. */
function lengthOf({ straightM, radiusM, angleDeg, clothoidM }: TrackSpec['segments'][number]): number {
  return straightM + (Math.abs(angleDeg) * Math.PI * Math.abs(radiusM)) / 180 + clothoidM;
}
