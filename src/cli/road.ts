import { writeFileSync } from 'node:fs';
import { NEW_ROAD, roadOrigin } from '@/book/judge/roadRead';
import { CARS } from '@/catalog/cars';
import { readRideCsv } from '@/core/formats/rideCsv';
import { writeTrackJson } from '@/core/formats/trackJson';
import { ROAD_SOURCES, type RoadSource } from '@/core/roads/lapCurvature';
import { roadFromLog } from '@/core/roads/roadFromLog';
import { UsageError, type Arguments } from './arguments';
import { readAnyCarJson } from './carFile';
import { shown, type Command } from './command';
import { orRefuse, readText } from './files';
import { named } from './named';

/** The shape of a road from a ride on it: what Describe shows of a road of one's own. */
export const road: Command = {
  name: 'road',
  usage: `road FILE.ride.csv [--by ${ROAD_SOURCES.join('|')}] [--car C] [--name N --out FILE.track.json] [--json]`,
  options: ['by', 'car', 'name', 'out'],
  run(args) {
    const [file, ...more] = args.positional;
    if (!file || more.length > 0) throw new UsageError('road takes one ride log');
    const source = sourceOf(args);
    const car = args.options.has('car') ? named(args, 'car', CARS, readAnyCarJson, 'road') : null;
    const found = orRefuse(
      file,
      roadFromLog(orRefuse(file, readRideCsv(readText(file))), {
        ...(source && { source }),
        ...(car && { car }),
      }),
    );
    const { course, closed, ...about } = found;
    const out = args.options.get('out');
    const name = args.options.get('name') ?? 'A road of my own';
    const origin = roadOrigin(found, file);
    if (out) writeFileSync(out, writeTrackJson({ ...NEW_ROAD, name, closed, course, origin }));
    return {
      json: { ...about, closed, corners: course.corners, knots: course.knots },
      table: [
        ['length m', shown(found.lengthM)],
        ['closed', closed ? 'yes' : 'no'],
        ['ended from its start by m', shown(found.gapM)],
        ['corner at m', 'radius m', '±', 'turns °'],
        ...course.corners.map(({ atM, radiusM, plusMinusM, angleDeg }) =>
          [atM, radiusM, plusMinusM, angleDeg].map(shown),
        ),
        ...found.warnings.map((warning) => ['warning', warning]),
      ],
    };
  },
};

function sourceOf(args: Arguments): RoadSource | null {
  const asked = args.options.get('by');
  if (asked === undefined) return null;
  const source = ROAD_SOURCES.find((one) => one === asked);
  if (!source) throw new UsageError(`--by is one of ${ROAD_SOURCES.join(', ')}`);
  return source;
}
