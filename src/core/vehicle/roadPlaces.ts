import type { TrackSpec } from './track';

/** A corner by its number along the road, from where it begins to turn to where it is straight again. */
export interface RoadPlace {
  corner: number;
  fromM: number;
  toM: number;
  /** Its middle. */
  atM: number;
  hasKerb: boolean;
}

const RAD = Math.PI / 180;

/** The corners of a road in order, numbered from 1 as its table has them. */
export function roadPlaces({ segments, course }: Pick<TrackSpec, 'segments' | 'course'>): RoadPlace[] {
  if (course)
    return course.corners.map(({ atM, radiusM, angleDeg }, i) => {
      const half = Math.abs(angleDeg * RAD * radiusM) / 2;
      return { corner: i + 1, fromM: Math.max(0, atM - half), toM: atM + half, atM, hasKerb: false };
    });
  let at = 0;
  return segments.map(({ straightM, radiusM, angleDeg, clothoidM, kerbM }, i) => {
    const fromM = at + straightM;
    // Both clothoids turn half as much as an arc of their length: together they are one clothoid longer than the arc alone.
    const toM = fromM + Math.abs(angleDeg * RAD * radiusM) + clothoidM;
    at = toM;
    return { corner: i + 1, fromM, toM, atM: (fromM + toM) / 2, hasKerb: (kerbM ?? 0) !== 0 };
  });
}

/** A stretch of road by its corners: "in corner 3", "between corners 3 and 4", "before corner 1". */
export function placeText(places: readonly RoadPlace[], fromM: number, toM: number): string {
  const inside = places.filter((place) => place.fromM < toM && fromM < place.toM);
  const [first, last] = [inside[0], inside.at(-1)];
  const kerb = inside.some(({ hasKerb }) => hasKerb) ? ' with its kerb' : '';
  if (first && last)
    return first === last
      ? `in corner ${first.corner}${kerb}`
      : `from corner ${first.corner} to ${last.corner}`;
  const before = places.findLast((place) => place.toM <= fromM);
  const after = places.find((place) => place.fromM >= toM);
  if (before && after) return `between corners ${before.corner} and ${after.corner}`;
  return after
    ? `before corner ${after.corner}`
    : before
      ? `after corner ${before.corner}`
      : 'on the straight';
}
