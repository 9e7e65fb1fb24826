import { fail, succeed, type Outcome } from '../problem';
import type { RideLog } from '../rides/rideLog';
import type { CarSpec } from '../vehicle/carSpec';
import type { RoadCorner, RoadCourse } from '../vehicle/track';
import { cellsOf, closeCourse } from './closeCourse';
import { cornersOf } from './corners';
import { courseEnd } from './courseEnd';
import { courseKnots } from './courseKnots';
import { drivenLaps } from './drivenLaps';
import { lapCurvature, roadSource, type RoadSource } from './lapCurvature';
import { meanCurvature } from './meanCurvature';
import { steeringScale } from './steeringScale';

/** A road as a ride shows it. */
export interface RoadFromLog {
  course: RoadCourse;
  closed: boolean;
  lengthM: number;
  source: RoadSource;
  laps: number;
  /** How far the line ended from its start before it was closed, m, and by how much it then headed elsewhere, degrees; `null` for an open road. */
  gapM: number | null;
  headingOffDeg: number | null;
  /** How far all radii may be off together, relative, as a standard deviation; 0 where they are read from positions. */
  scaleSigma: number;
  warnings: string[];
}

export interface RoadAsked {
  /** By which of the log's channels; the surest where it is not said. */
  source?: RoadSource;
  /** How the hands turn the car; only a shape read from the steering needs it. */
  car?: CarSpec;
  /** Whether the road ends where it begins; found out where it is not said. */
  closed?: boolean;
}

const SHORTEST_M = 100;
const LONGEST_M = 100_000;
const FEWEST_SAMPLES = 50;
/** A road read from speed is closed where it turns within so much of a whole circle. */
const CIRCLE_OFF_RAD = 0.6;
const SAME_PLACE_M = 20;
/** A gap of more than this share of the road is told. */
const LARGE_GAP = 0.03;

/**
 * The shape of a road from a ride on it: curvature over distance, averaged over the laps, made to close where it is closed.
 * From positions it is the line that was driven; from yaw rate and speed, or from the hands and speed, it is reckoned, and
 * what it misses at the end is told. A road that is read from the hands takes ratio and wheelbase from the car and lets the
 * closing correct them.
 */
export function roadFromLog(log: RideLog, asked: RoadAsked = {}): Outcome<RoadFromLog> {
  const source = asked.source ?? roadSource(log);
  const refuse = (code: string, message: string, remedy: string) =>
    fail({ code, message, place: {}, remedy });
  if (source === null || !holds(log, source))
    return refuse(
      'no-shape',
      'The log holds neither positions nor speed with yaw rate or steering.',
      'Take a log with x and y, or with speed and one of the two.',
    );
  if (source === 'steering' && !asked.car)
    return refuse(
      'no-car',
      'From speed and steering a shape needs the car’s steering ratio and wheelbase.',
      'Name the car.',
    );
  const { laps, followOn } = drivenLaps(log);
  const driven = laps
    .filter(({ from, to }) => to - from >= FEWEST_SAMPLES)
    .map((lap) => lapCurvature(log, lap, source, asked.car ?? null))
    .filter(({ s }) => s.length >= FEWEST_SAMPLES / 2 && s[s.length - 1]! >= SHORTEST_M);
  if (driven.length === 0)
    return refuse(
      'too-short',
      `The log holds no drive of ${SHORTEST_M} m or more.`,
      'Take a log of at least one lap.',
    );
  const line = meanCurvature(driven, asked.closed ?? followOn);
  if (line.lengthM > LONGEST_M)
    return refuse(
      'too-long',
      `The road would be ${(line.lengthM / 1000).toFixed(0)} km long.`,
      `A road has at most ${LONGEST_M / 1000} km: cut the log into laps.`,
    );
  const end = courseEnd(line.curvature, line.stepM);
  const circles = Math.round(end.heading / (2 * Math.PI));
  const returns =
    source === 'position'
      ? endsWhereItBegan(log, laps[0]!)
      : circles !== 0 && Math.abs(end.heading - 2 * Math.PI * circles) < CIRCLE_OFF_RAD;
  const closed = asked.closed ?? (followOn || returns);
  const { curvature, scaleSigma, turns } =
    source === 'steering'
      ? steeringScale(line, asked.car!, closed)
      : { curvature: line.curvature, scaleSigma: 0, turns: closed ? circles : null };
  const before = courseEnd(curvature, line.stepM);
  const thin = courseKnots(curvature, line.stepM, closed);
  const knots = shortened(turns === null ? thin : closeCourse(thin, turns));
  const shape = cellsOf(knots, line.curvature.length);
  const corners = cornersOf(
    shape,
    line.laps.map((lap) => lap.map((k, i) => k + (shape[i]! - line.curvature[i]!))),
    line.stepM,
    scaleSigma,
  );
  const gapM = turns === null ? null : Math.hypot(before.x, before.y);
  const warnings: string[] = [];
  if (driven.length === 1)
    warnings.push('One lap alone: how far its line is from the next one is not known.');
  if (gapM !== null && gapM > LARGE_GAP * line.lengthM)
    warnings.push(
      `The line ended ${gapM.toFixed(0)} m from its start, ${((100 * gapM) / line.lengthM).toFixed(0)} % of its length: its shape is rough.`,
    );
  return succeed({
    course: { knots, corners: corners.map(rounded) },
    closed,
    lengthM: line.lengthM,
    source,
    laps: driven.length,
    gapM,
    headingOffDeg: turns === null ? null : Math.abs(before.heading - 2 * Math.PI * turns) * (180 / Math.PI),
    scaleSigma,
    warnings,
  });
}

const rounded = ({ atM, radiusM, plusMinusM, angleDeg }: RoadCorner): RoadCorner => ({
  atM: Math.round(atM),
  radiusM: Number(radiusM.toFixed(2)),
  plusMinusM: plusMinusM === null ? null : Number(plusMinusM.toFixed(2)),
  angleDeg: Number(angleDeg.toFixed(1)),
});

/** Digits that a road has no use for: 1e-7 1/m swings it by a centimetre in a kilometre. */
const shortened = (knots: RoadCourse['knots']): RoadCourse['knots'] =>
  knots.map(([at, k]) => [Number(at.toFixed(2)), Number(k.toFixed(7))]);

function holds({ columns }: RideLog, source: RoadSource): boolean {
  if (source === 'position') return !!columns.x_m && !!columns.y_m;
  return !!columns.speed_mps && !!(source === 'yaw' ? columns.yaw_radps : columns.steer_deg);
}

function endsWhereItBegan({ columns }: RideLog, { from, to }: { from: number; to: number }): boolean {
  const [x, y] = [columns.x_m!, columns.y_m!];
  return Math.hypot(x[to - 1]! - x[from]!, y[to - 1]! - y[from]!) <= SAME_PLACE_M;
}
