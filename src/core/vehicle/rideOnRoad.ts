import type { ForceRecorder } from '../force/forceInputs';
import { growingColumns } from '../numeric/growingColumns';
import { SURFACES, type RideColumn, type RideLog } from '../rides/rideLog';
import type { CarSpec } from './carSpec';
import { rpmOf } from './drivelineSpec';
import { projectOnTrack, trackIndex, type Track, type TrackPlace } from './track';
import { restingState, type BodyState, type Controls, type TwoTrack } from './twoTrack';

/** The step of everything that is driven, s. */
export const STEP_S = 0.001;
/** Steps between two rows of the log: 100 Hz. */
const LOG_EVERY = 10;
const DEG = 180 / Math.PI;

const COLUMNS = [
  't_s',
  'distance_m',
  'lap',
  'speed_mps',
  'steer_deg',
  'throttle',
  'brake',
  'ax_mps2',
  'ay_mps2',
  'yaw_radps',
  'slip_front_rad',
  'slip_rear_rad',
  'x_m',
  'y_m',
  'surface',
] as const satisfies readonly RideColumn[];

/** What a detailed log has beside them. */
const DETAILS = [
  'clutch',
  'handbrake',
  'gear',
  'wheel_front_mps',
  'wheel_rear_mps',
  'engine_rpm',
] as const satisfies readonly RideColumn[];

const ROAD = SURFACES.indexOf('road');
const KERB = SURFACES.indexOf('kerb');
const BUMP = SURFACES.indexOf('bump');
const OFF_TRACK = SURFACES.indexOf('offtrack');

/** A car on a road, from where it set out: where it is, what it logs. Simulated and driven rides are the same ride. */
export interface RoadRide {
  readonly t: number;
  readonly state: BodyState;
  readonly place: TrackPlace;
  /** 0 before the line of a closed road was crossed. */
  readonly lap: number;
  /** Puts the car on the line at a distance, rolling. */
  setOut(distanceM: number, speedMps: number, lap: number): void;
  /** A thousandth of a second. @param hand angle of the hand wheel, rad */
  step(body: TwoTrack, controls: Controls, hand: number): void;
  finish(notes: RideLog['notes']): RideLog;
  /** Rows of the log from a number on. */
  rows(from: number): Partial<Record<RideColumn, Float64Array>>;
  /** Begins a new log here: what was logged is gone with {@link finish}. */
  anew(force: ForceRecorder | undefined): void;
}

/** @param force takes down what the force chain starts from, at its own rate */
export function rideOnRoad(
  car: CarSpec,
  track: Track,
  { force, isDetailed }: { force?: ForceRecorder | undefined; isDetailed: boolean },
): RoadRide {
  const columns = isDetailed ? [...COLUMNS, ...DETAILS] : COLUMNS;
  let log = growingColumns<RideColumn>(columns);
  let recorder = force;
  const { closed } = track.spec;
  const halfTrack = car.trackFrontM / 2;
  let state = restingState(car, 0);
  let place: TrackPlace = { distanceM: 0, offsetM: 0 };
  let lap = 0;
  let steps = 0;
  let forceDue = 0;

  const row = (t: number, controls: Controls, hand: number) => {
    const values = [
      t,
      place.distanceM,
      lap,
      state.vx,
      hand * DEG,
      controls.throttle,
      controls.brake,
      state.ax,
      state.ay,
      state.yawRate,
      Math.atan(state.slipFront),
      Math.atan(state.slipRear),
      state.x,
      state.y,
      surfaceOf(track, place, halfTrack),
    ];
    if (isDetailed) {
      const { spin, engine } = state;
      const r = car.wheelRadiusM;
      values.push(
        controls.clutch,
        controls.handbrake,
        controls.gear,
        r * Math.min(spin[0]!, spin[1]!),
        (r * (spin[2]! + spin[3]!)) / 2,
        rpmOf(engine.omega),
      );
    }
    log.push(values);
  };

  return {
    get t() {
      return steps * STEP_S;
    },
    get state() {
      return state;
    },
    get place() {
      return place;
    },
    get lap() {
      return lap;
    },
    setOut(distanceM, speedMps, asLap) {
      const k = trackIndex(track, distanceM);
      state = restingState(car, speedMps);
      Object.assign(state, {
        x: track.x[k],
        y: track.y[k],
        heading: track.heading[k],
        grade: track.grade[k],
      });
      place = { distanceM, offsetM: 0 };
      lap = asLap;
    },
    step(body, controls, hand) {
      const t = steps * STEP_S;
      const k = trackIndex(track, place.distanceM);
      const slope = track.grade[k]!;
      state.grade = slope === 0 ? 0 : slope * Math.cos(state.heading - track.heading[k]!);
      body.step(state, controls, STEP_S);
      if (recorder && t >= forceDue - STEP_S / 2) {
        forceDue += 1 / recorder.rateHz;
        recordForce(recorder, t, lap, place, hand, state, controls, surfaceOf(track, place, halfTrack));
      }
      if (steps % LOG_EVERY === 0) row(t, controls, hand);
      steps++;
      const next = projectOnTrack(track, state.x, state.y, place);
      // Over the line forwards is another lap; backwards it is the one before again.
      if (closed && next.distanceM < place.distanceM - track.lengthM / 2) lap++;
      else if (closed && next.distanceM > place.distanceM + track.lengthM / 2) lap--;
      place = next;
    },
    finish: (notes) => ({ columns: log.finish(), notes }),
    rows: (from) => log.rows(from),
    anew(next) {
      log = growingColumns<RideColumn>(columns);
      recorder = next;
    },
  };
}

function recordForce(
  force: ForceRecorder,
  t: number,
  lap: number,
  place: TrackPlace,
  hand: number,
  state: BodyState,
  controls: Controls,
  surface: number,
): void {
  const { kappa } = state;
  force.push({
    t,
    distanceM: place.distanceM,
    lap,
    speedMps: state.vx,
    lateralMps2: state.ay,
    hand,
    momentMechanical: state.momentMechanical,
    momentPneumatic: state.momentPneumatic,
    slipFront: Math.abs(state.slipFront),
    kappaFront: Math.min(kappa[0]!, kappa[1]!),
    kappaRear: Math.max(kappa[2]!, kappa[3]!),
    brake: controls.brake,
    surface,
  });
}

/** What the car drives on: off the track by its middle, on a kerb by its inner front wheel. */
export function surfaceOf(track: Track, { distanceM, offsetM }: TrackPlace, halfTrackM: number): number {
  if (Math.abs(offsetM) > track.spec.widthM / 2) return OFF_TRACK;
  const i = trackIndex(track, distanceM);
  const kerb = track.kerb[i]!;
  if (kerb !== 0 && Math.sign(kerb) * offsetM + halfTrackM > Math.abs(kerb)) return KERB;
  return track.bumpy[i]! > 0 ? BUMP : ROAD;
}
