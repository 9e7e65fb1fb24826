import { layTrack, type RoadCourse, type TrackSegment } from '../vehicle/track';
import { closeCourse } from './closeCourse';

/** A road of segments that was made to close. */
export interface ClosedSegments {
  course: RoadCourse;
  /** How far it ended from its start before, m. */
  gapM: number;
}

const NEAR_TURN = 0.25;

/**
 * The least change of curvatures that lets a road of segments end where it began; `null` where its corners do not turn it
 * through about one circle (or none, as a figure of eight): then a corner is missing.
 */
export function closedSegments(segments: readonly TrackSegment[]): ClosedSegments | null {
  const spec = { id: '', name: '', widthM: 10, closed: true, segments: [...segments] };
  const { gapM } = layTrack(spec);
  const circles = segments.reduce((sum, { angleDeg }) => sum + angleDeg, 0) / 360;
  const turns = Math.round(circles);
  if (Math.abs(circles - turns) > NEAR_TURN || Math.abs(turns) > 1) return null;
  const knots: RoadCourse['knots'] = [[0, 0]];
  const corners: RoadCourse['corners'] = [];
  let at = 0;
  const go = (lengthM: number, curvature: number) => {
    if (lengthM <= 0) return;
    at += lengthM;
    knots.push([at, curvature]);
  };
  for (const { straightM, radiusM, angleDeg, clothoidM } of segments) {
    const arcM = Math.abs((angleDeg * Math.PI) / 180) * Math.abs(radiusM) - clothoidM;
    go(straightM, 0);
    // A knot holds one curvature: a corner without a clothoid gets one of a step's length.
    go(Math.max(STEP_M, clothoidM), 1 / radiusM);
    corners.push({ atM: at + arcM / 2, radiusM: Math.abs(radiusM), plusMinusM: 0, angleDeg });
    go(arcM, 1 / radiusM);
    go(Math.max(STEP_M, clothoidM), 0);
  }
  const closed = closeCourse(knots, turns);
  const course = { knots: closed, corners };
  return layTrack({ ...spec, segments: [], course }).gapM < MOST_GAP_M ? { course, gapM } : null;
}

const STEP_M = 0.5;
const MOST_GAP_M = 0.1;
