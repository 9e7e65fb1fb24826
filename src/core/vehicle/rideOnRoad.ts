import { emptyForceRow, FORCE_COLUMNS, type ForceRecorder, type ForceRow } from '../force/forceInputs';
import { growingColumns } from '../numeric/growingColumns';
import { SURFACES, type RideColumn, type RideLog } from '../rides/rideLog';
import type { CarSpec } from './carSpec';
import { rpmOf } from './drivelineSpec';
import { moveAlongTrack, trackIndex, type Track, type TrackPlace } from './track';
import { restingState, type BodyState, type Controls, type TwoTrack } from './twoTrack';

/** Time between two rows of the log, s. */
const LOG_EVERY_S = 0.01;
/** Two times closer than this are one. */
const ROUNDING_S = 1e-9;
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

const TIME = FORCE_COLUMNS.indexOf('t');
const LAP = FORCE_COLUMNS.indexOf('lap');
const SURFACE = FORCE_COLUMNS.indexOf('surface');

/** A car on a road, from where it set out: where it is, what it logs. Simulated and driven rides are the same ride. */
export interface RoadRide {
  readonly t: number;
  readonly state: BodyState;
  /** The same object from step to step. */
  readonly place: TrackPlace;
  /** 0 before the line of a closed road was crossed. */
  readonly lap: number;
  /** Puts the car on the line at a distance, rolling. */
  setOut(distanceM: number, speedMps: number, lap: number): void;
  /** One step. @param hand angle of the hand wheel, rad */
  step(body: TwoTrack, controls: Controls, hand: number): void;
  finish(notes: RideLog['notes']): RideLog;
  /** Rows of the log from a number on. */
  rows(from: number): Partial<Record<RideColumn, Float64Array>>;
  /** Begins a new log here: what was logged is gone with {@link finish}. */
  anew(force: ForceRecorder | undefined): void;
}

/**
 * @param force takes down what the force chain starts from, at its own rate
 * @param stepS a hundredth of a second holds a whole number of them
 */
export function rideOnRoad(
  car: CarSpec,
  track: Track,
  { force, isDetailed, stepS }: { force?: ForceRecorder | undefined; isDetailed: boolean; stepS: number },
): RoadRide {
  const logEvery = Math.round(LOG_EVERY_S / stepS);
  const columns = isDetailed ? [...COLUMNS, ...DETAILS] : COLUMNS;
  let log = growingColumns<RideColumn>(columns);
  let taken = force && atItsRate(force);
  const { closed } = track.spec;
  const halfTrack = car.trackFrontM / 2;
  let state = restingState(car, 0);
  const place: TrackPlace = { distanceM: 0, offsetM: 0 };
  let lap = 0;
  let steps = 0;

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
      return steps * stepS;
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
      Object.assign(place, { distanceM, offsetM: 0 });
      lap = asLap;
    },
    step(body, controls, hand) {
      const t = steps * stepS;
      const k = trackIndex(track, place.distanceM);
      const slope = track.grade[k]!;
      state.grade = slope === 0 ? 0 : slope * Math.cos(state.heading - track.heading[k]!);
      body.step(state, controls, stepS);
      taken?.(t, lap, place, hand, state, controls, surfaceOf(track, place, halfTrack));
      if (steps % logEvery === 0) row(t, controls, hand);
      steps++;
      const before = place.distanceM;
      moveAlongTrack(track, state.x, state.y, place);
      // Over the line forwards is another lap; backwards it is the one before again.
      if (closed && place.distanceM < before - track.lengthM / 2) lap++;
      else if (closed && place.distanceM > before + track.lengthM / 2) lap--;
    },
    finish: (notes) => ({ columns: log.finish(), notes }),
    rows: (from) => log.rows(from),
    anew(next) {
      log = growingColumns<RideColumn>(columns);
      taken = next && atItsRate(next);
    },
  };
}

type Moment = (
  t: number,
  lap: number,
  place: TrackPlace,
  hand: number,
  state: BodyState,
  controls: Controls,
  surface: number,
) => void;

/** Rows at the recorder's own rate: what lies between two steps is read off the line between them. */
function atItsRate(recorder: ForceRecorder): Moment {
  let [before, now] = [emptyForceRow(), emptyForceRow()];
  const row = emptyForceRow();
  let began = NaN;
  let count = 0;
  return (t, lap, place, hand, state, controls, surface) => {
    [before, now] = [now, before];
    // In the order of its columns.
    let i = 0;
    now[i++] = t;
    now[i++] = place.distanceM;
    now[i++] = lap;
    now[i++] = state.vx;
    now[i++] = state.ay;
    now[i++] = hand;
    now[i++] = state.momentMechanical;
    now[i++] = state.momentPneumatic;
    now[i++] = Math.abs(state.slipFront);
    now[i++] = Math.min(state.kappa[0]!, state.kappa[1]!);
    now[i++] = Math.max(state.kappa[2]!, state.kappa[3]!);
    now[i++] = controls.brake;
    now[i++] = surface;
    if (Number.isNaN(began)) {
      began = t;
      before.set(now);
    }
    for (;;) {
      const due = began + count / recorder.rateHz;
      if (due > t + ROUNDING_S) return;
      between(before, now, due, row);
      recorder.push(row);
      count++;
    }
  };
}

/** Over the line of a lap distance begins anew, and nothing lies between: the later moment stands, as its surface always does. */
function between(before: ForceRow, now: ForceRow, t: number, out: ForceRow): void {
  const isOneWay = before[LAP] === now[LAP] && now[TIME]! > before[TIME]!;
  const share = isOneWay ? Math.min(1, (t - before[TIME]!) / (now[TIME]! - before[TIME]!)) : 1;
  for (let i = 0; i < now.length; i++) out[i] = before[i]! + share * (now[i]! - before[i]!);
  out[TIME] = t;
  out[SURFACE] = now[SURFACE]!;
}

/** What the car drives on: off the track by its middle, on a kerb by its inner front wheel. */
export function surfaceOf(track: Track, { distanceM, offsetM }: TrackPlace, halfTrackM: number): number {
  if (Math.abs(offsetM) > track.spec.widthM / 2) return OFF_TRACK;
  const i = trackIndex(track, distanceM);
  const kerb = track.kerb[i]!;
  if (kerb !== 0 && Math.sign(kerb) * offsetM + halfTrackM > Math.abs(kerb)) return KERB;
  return track.bumpy[i]! > 0 ? BUMP : ROAD;
}
