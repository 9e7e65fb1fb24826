import fc from 'fast-check';
import { carById, simulatedRigById, trackById } from '@/catalog/find';
import { NEUTRAL_LAYER } from '../response/layer';
import type { RideColumn, RideLog } from '../rides/rideLog';
import { completeRide } from '../vehicle/simulateRide';
import { layTrack, tightestCorner, type TrackSpec } from '../vehicle/track';
import { ROAD_SOURCES } from './lapCurvature';
import { roadFromLog, type RoadAsked, type RoadFromLog } from './roadFromLog';
import { tries } from '../testing/longRun';

const pedal = (name: 'throttle' | 'brake') => {
  const hardware = simulatedRigById('tern').pedals[name]!;
  const { released, pressed } = hardware;
  return { hardware, calibration: { released, pressed }, layers: [NEUTRAL_LAYER] };
};
const rideOn = (trackId: string, carId: string) =>
  completeRide({
    car: carById(carId),
    track: trackById(trackId),
    throttle: pedal('throttle'),
    brake: pedal('brake'),
    foot: { restTravel: 0, restWander: 0.002, pressTravel: 0.9, pressSpread: 0.02 },
    laps: 3,
    seed: 5,
  });
const readFrom = (log: RideLog, asked?: RoadAsked): RoadFromLog => {
  const read = roadFromLog(log, asked);
  if (!read.ok) throw new Error(read.problems.map(({ message }) => message).join(' '));
  return read.value;
};
const asSpec = ({ course, closed }: RoadFromLog): TrackSpec => ({
  ...{ id: 'own', name: 'own', widthM: 10, closed, segments: [] },
  course,
});
const only = ({ columns, notes }: RideLog, ...names: RideColumn[]): RideLog => ({
  columns: { t_s: columns.t_s, ...Object.fromEntries(names.map((name) => [name, columns[name]!])) },
  notes,
});

/** Hands tell less of a tight corner: near the limit they turn further than the car. */
const WITHIN = { position: 0.05, yaw: 0.05, steering: 0.08 };

describe.each(['marl-850', 'spindrift-h4'])('Saltmarsh Loop from a ride of the %s', (carId) => {
  const log = rideOn('saltmarsh-loop', carId);
  const truth = layTrack(trackById('saltmarsh-loop'));
  it.each(ROAD_SOURCES)('by %s: length within 1 %, the hairpin, every corner, and closed', (source) => {
    const road = readFrom(log, { source, car: carById(carId) });
    expect(Math.abs(road.lengthM / truth.lengthM - 1)).toBeLessThan(0.01);
    const hairpin = tightestCorner(asSpec(road));
    expect(Math.abs(hairpin.radiusM / 12.5 - 1)).toBeLessThan(WITHIN[source]);
    // Its interval is that of the line that was driven, which is not quite the middle of the road.
    expect(Math.abs(hairpin.radiusM - 12.5)).toBeLessThan(1.5 * hairpin.plusMinusM!);
    expect(road.course.corners).toHaveLength(truth.spec.segments.length);
    expect(road).toMatchObject({ closed: true, laps: 3, source });
    expect(layTrack(asSpec(road)).gapM).toBeLessThan(0.1);
  });

  it('finds the laps by place where the log counts none', () => {
    const road = readFrom(only(log, 'x_m', 'y_m'));
    expect(road).toMatchObject({ closed: true, source: 'position' });
    expect(Math.abs(road.lengthM / truth.lengthM - 1)).toBeLessThan(0.01);
  });
});

it('an open road stays open, whatever it is read from', () => {
  const log = rideOn('cairn-brae', 'spindrift-h4');
  for (const source of ROAD_SOURCES) {
    const road = readFrom(log, { source, car: carById('spindrift-h4') });
    expect(road).toMatchObject({ closed: false, gapM: null });
    expect(Math.abs(tightestCorner(asSpec(road)).radiusM / 14 - 1)).toBeLessThan(WITHIN[source]);
  }
});

it('a car that nobody described turns into a wider interval, not into another road', () => {
  const log = rideOn('millrace-ring', 'dray-55');
  const described = readFrom(log, { source: 'steering', car: carById('dray-55') });
  const guessed = {
    ...carById('dray-55'),
    assumed: ['its ratio'],
    steeringRatio: 1.15 * carById('dray-55').steeringRatio,
  };
  const assumed = readFrom(log, { source: 'steering', car: guessed });
  const tightest = (road: RoadFromLog) => tightestCorner(asSpec(road));
  expect(Math.abs(tightest(assumed).radiusM / tightest(described).radiusM - 1)).toBeLessThan(0.06);
  expect(tightest(assumed).plusMinusM!).toBeGreaterThan(tightest(described).plusMinusM!);
});

/** A car that goes along a line at a steady pace, 50 rows a second. */
function along(spec: TrackSpec, laps: number, noiseM = 0): RideLog {
  const track = layTrack(spec);
  const n = track.x.length;
  const rows = laps * n;
  const at = (of: Float64Array) => Float64Array.from({ length: rows }, (_, i) => of[i % n]!);
  const wobble = (i: number) => noiseM * Math.sin(i / 17);
  const speed = 20;
  return {
    columns: {
      t_s: Float64Array.from({ length: rows }, (_, i) => (i * track.stepM) / speed),
      lap: Float64Array.from({ length: rows }, (_, i) => 1 + Math.floor(i / n)),
      distance_m: Float64Array.from({ length: rows }, (_, i) => (i % n) * track.stepM),
      speed_mps: new Float64Array(rows).fill(speed),
      yaw_radps: at(track.curvature).map((k) => k * speed),
      x_m: at(track.x).map((x, i) => x - wobble(i) * Math.sin(track.heading[i % n]!)),
      y_m: at(track.y).map((y, i) => y + wobble(i) * Math.cos(track.heading[i % n]!)),
    },
    notes: {},
  };
}

/** Two straights and two half circles of any size, either way around. */
const stadium = (straightM: number, radiusM: number, way: 1 | -1): TrackSpec => {
  const half = { straightM, radiusM: way * radiusM, angleDeg: way * 180, clothoidM: 0.4 * radiusM };
  return { id: 'stadium', name: 'Stadium', widthM: 10, closed: true, segments: [half, half] };
};

it('any stadium is read back from its line: length within 0.5 %, radius within 4 %', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 60, max: 800, noNaN: true }),
      fc.double({ min: 15, max: 90, noNaN: true }),
      fc.constantFrom(1, -1),
      (straightM, radiusM, way) => {
        const spec = stadium(straightM, radiusM, way as 1 | -1);
        for (const source of ['position', 'yaw'] as const) {
          const road = readFrom(along(spec, 2), { source });
          expect(Math.abs(road.lengthM / layTrack(spec).lengthM - 1)).toBeLessThan(0.005);
          expect(road.course.corners).toHaveLength(2);
          for (const corner of road.course.corners) {
            expect(Math.abs(corner.radiusM / radiusM - 1)).toBeLessThan(0.04);
            expect(Math.abs(corner.angleDeg - way * 180)).toBeLessThan(6);
          }
        }
      },
    ),
    { numRuns: tries(8, 25) },
  );
});

it('a wandering line makes the interval, and the interval holds the road', () => {
  const road = readFrom(along(stadium(200, 30, 1), 5, 0.3));
  for (const { radiusM, plusMinusM } of road.course.corners) {
    expect(plusMinusM).toBeGreaterThan(0.3);
    expect(Math.abs(radiusM - 30)).toBeLessThan(2 * plusMinusM!);
  }
});

it('one lap alone gives no interval, and says so', () => {
  const road = readFrom(along(stadium(200, 30, 1), 1));
  expect(road.course.corners.map(({ plusMinusM }) => plusMinusM)).toEqual([null, null]);
  expect(road.warnings.join()).toMatch(/One lap alone/);
});

it('what shows no shape is refused, and says what would', () => {
  const log = along(stadium(200, 30, 1), 2);
  const code = (of: RideLog, asked?: RoadAsked) => {
    const read = roadFromLog(of, asked);
    return read.ok ? 'read' : read.problems[0]!.code;
  };
  expect(code(only(log, 'lap', 'distance_m', 'speed_mps'))).toBe('no-shape');
  expect(code(log, { source: 'steering' })).toBe('no-shape');
  const steered = { ...log, columns: { ...log.columns, steer_deg: log.columns.yaw_radps! } };
  expect(code(steered, { source: 'steering' })).toBe('no-car');
  const standing = only(log, 'x_m', 'y_m');
  standing.columns.x_m!.fill(3);
  standing.columns.y_m!.fill(4);
  expect(code(standing)).toBe('too-short');
});
