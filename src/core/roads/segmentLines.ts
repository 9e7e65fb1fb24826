import { fail, succeed, type Outcome } from '../problem';
import type { TrackSegment } from '../vehicle/track';

/** A road of more corners than this is pasted from somewhere else. */
export const MOST_SEGMENTS = 500;
/** A corner of which nobody gave a clothoid turns in over this share of its arc, at most half of its radius. */
const CLOTHOID_SHARE = 0.25;
const FORM = 'straight m, radius m, angle °, and left or right: 300 190 75 right';

/**
 * Reads a road of segments, one corner a line: the straight before it, its radius, how far it turns, and its clothoid where it
 * is known; to the right by a minus or the word. Either decimal sign, any space, tab or semicolon between.
 */
export function readSegmentLines(text: string): Outcome<TrackSegment[]> {
  const lines = text.split(/\r?\n/);
  const segments: TrackSegment[] = [];
  for (const [i, written] of lines.entries()) {
    if (written.trim() === '') continue;
    const wrong = (message: string) =>
      fail({ code: 'no-segment', message, place: { row: i + 1 }, remedy: `Write ${FORM}.` });
    if (segments.length === MOST_SEGMENTS)
      return fail({
        code: 'too-many-lines',
        message: `A road has at most ${MOST_SEGMENTS} corners.`,
        place: { row: i + 1 },
        remedy: 'Check that it is a road.',
      });
    const numbers = written.match(/-?\d+(?:[.,]\d+)?/g)?.map((one) => Number(one.replace(',', '.'))) ?? [];
    const rest = written
      .replace(/-?\d+(?:[.,]\d+)?/g, ' ')
      .replace(/[\s;|°]|\bm\b/g, '')
      .toLowerCase();
    if (!/^(l|left|r|right)?$/.test(rest)) return wrong(`“${written.trim().slice(0, 40)}” is no corner.`);
    const [straightM, radius, angle, clothoid] = numbers;
    if (straightM === undefined || radius === undefined || angle === undefined || numbers.length > 4)
      return wrong(`${numbers.length} numbers stand there; a corner has three or four.`);
    if (radius === 0 || angle === 0) return wrong('A corner needs a radius and an angle.');
    const side = rest.startsWith('r') || radius < 0 || angle < 0 ? -1 : 1;
    const [radiusM, angleDeg] = [side * Math.abs(radius), side * Math.abs(angle)];
    const arcM = Math.abs((angle * Math.PI) / 180) * Math.abs(radius);
    const clothoidM = clothoid ?? Math.min(CLOTHOID_SHARE * arcM, Math.abs(radius) / 2);
    if (straightM < 0 || clothoidM < 0) return wrong('Straight and clothoid are no less than 0 m.');
    if (clothoidM > arcM)
      return wrong(`The clothoid of ${clothoidM} m is longer than the corner’s ${arcM.toFixed(1)} m.`);
    segments.push({ straightM, radiusM, angleDeg, clothoidM });
  }
  if (segments.length === 0)
    return fail({
      code: 'nothing-there',
      message: 'No corner stands there.',
      place: {},
      remedy: `Write ${FORM}.`,
    });
  return succeed(segments);
}

/** The same lines again, to be changed. */
export const segmentLines = (segments: readonly TrackSegment[]): string =>
  segments
    .map(
      ({ straightM, radiusM, angleDeg, clothoidM }) =>
        `${straightM} ${Math.abs(radiusM)} ${Math.abs(angleDeg)} ${Number(clothoidM.toFixed(2))} ${radiusM < 0 ? 'right' : 'left'}`,
    )
    .join('\n');
