import type { FootHabits } from '../axes/foot';
import type { ForceRecorder } from '../force/forceInputs';
import { growingColumns } from '../numeric/growingColumns';
import { seededRandom } from '../numeric/random';
import { SURFACES, type RideLog } from '../rides/rideLog';
import type { CarSpec } from './carSpec';
import { makeDriver } from './driver';
import { pedalChain, type PedalSetup } from './pedalChain';
import { makeTwoTrack, restingState, type BodyState, type Controls } from './twoTrack';
import { planSpeed } from './speedPlan';
import { layTrack, projectOnTrack, trackIndex, type Track, type TrackPlace, type TrackSpec } from './track';

export interface RidePlan {
  car: CarSpec;
  track: TrackSpec;
  throttle: PedalSetup;
  brake: PedalSetup;
  foot: FootHabits;
  /** Laps to be counted; a short out-lap comes before them. */
  laps: number;
  seed: number;
}

export interface RideProgress {
  lap: number;
  /** Share of the whole distance, 0…1. */
  share: number;
}

const STEP_S = 0.001;
const STEPS_PER_SECOND = 1000;
/** Steps between two rows of the log: 100 Hz. */
const LOG_EVERY = 10;
/** The out-lap starts this far before the line, rolling. */
const RUN_UP_M = 320;
const ROLLING_START_MPS = 12;
const MOST_RUN_UP = 0.6;
/** An open road ends this far before its line does: there is still something to look at. */
const RUN_OFF_M = 60;
/** The log ends this far past the line, so that the last lap's crossing can be read from it. */
const RUN_OUT_M = 4;
/** A pace under this share of 1 m/s on average means that the car is stuck. */
const SLOWEST_AVERAGE_MPS = 4;
/** A little less than the greatest press, so that the plan can be kept lap after lap. */
const PRESS_IN_HAND = 0.97;

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
] as const;

const ROAD = SURFACES.indexOf('road');
const KERB = SURFACES.indexOf('kerb');
const BUMP = SURFACES.indexOf('bump');
const OFF_TRACK = SURFACES.indexOf('offtrack');

/**
 * Simulates a ride at 1 kHz, pedals through sensor, calibration and response, and logs it at 100 Hz.
 * Yields progress every simulated second, so that a caller can show it and stop early; the log is returned.
 * The same plan gives the same bits.
 * @param force takes down what the force chain starts from, at its own rate
 */
export function* simulateRide(ride: RidePlan, force?: ForceRecorder): Generator<RideProgress, RideLog> {
  const { car, laps } = ride;
  const track = layTrack(ride.track);
  const body = makeTwoTrack(car);
  const throttle = pedalChain(ride.throttle, seededRandom(ride.seed * 7 + 1), STEPS_PER_SECOND);
  const brake = pedalChain(ride.brake, seededRandom(ride.seed * 7 + 2), STEPS_PER_SECOND);
  const reach = brake.outputAt(ride.foot.pressTravel);
  const plan = planSpeed(track, car, (PRESS_IN_HAND * reach * car.fullBrakeN) / car.massKg);
  const setOut = (run: number) =>
    makeDriver({
      body,
      track,
      plan,
      throttle,
      brake,
      foot: ride.foot,
      random: seededRandom(ride.seed * 7 + 3 + 1000 * run),
    });
  const { closed } = ride.track;
  // A short ring is not run up to more than once around.
  const runUpM = closed ? Math.min(RUN_UP_M, MOST_RUN_UP * track.lengthM) : 0;
  const startAt = closed ? track.lengthM - runUpM : 0;
  const start = (): BodyState => {
    const k = trackIndex(track, startAt);
    return {
      ...restingState(car, ROLLING_START_MPS),
      x: track.x[k]!,
      y: track.y[k]!,
      heading: track.heading[k]!,
    };
  };

  let driver = setOut(0);
  let state = start();
  const controls: Controls = { steer: 0, throttle: 0, brake: 0 };
  const log = growingColumns(COLUMNS);
  const lapM = closed ? track.lengthM : track.lengthM - RUN_OFF_M;
  const total = runUpM + laps * lapM;
  const mostSteps = Math.ceil(total / SLOWEST_AVERAGE_MPS / STEP_S);
  let place: TrackPlace = { distanceM: startAt, offsetM: 0 };
  let lap = closed ? 0 : 1;
  let forceDue = 0;
  for (let step = 0; step < mostSteps; step++) {
    const t = step * STEP_S;
    const next = projectOnTrack(track, state.x, state.y, place);
    if (closed && next.distanceM < place.distanceM - track.lengthM / 2) lap++;
    place = next;
    if (!closed && place.distanceM >= lapM) {
      // An open road is driven again from its start.
      driver = setOut(lap++);
      state = start();
      place = { distanceM: 0, offsetM: 0 };
    }
    const hand = driver.step(t, STEP_S, state, place, controls);
    body.step(state, controls, STEP_S);
    if (force && t >= forceDue - STEP_S / 2) {
      forceDue += 1 / force.rateHz;
      recordForce(force, t, lap, place, hand, state, controls, surfaceOf(track, place, car.trackFrontM / 2));
    }
    if (step % LOG_EVERY === 0)
      log.push([
        t,
        place.distanceM,
        lap,
        state.vx,
        (hand * 180) / Math.PI,
        controls.throttle,
        controls.brake,
        state.ax,
        state.ay,
        state.yawRate,
        Math.atan(state.slipFront),
        Math.atan(state.slipRear),
        state.x,
        state.y,
        surfaceOf(track, place, car.trackFrontM / 2),
      ]);
    if (lap > laps && place.distanceM > RUN_OUT_M) break;
    if (step % STEPS_PER_SECOND === 0) {
      const done = lap === 0 ? place.distanceM - startAt : runUpM + (lap - 1) * lapM + place.distanceM;
      yield { lap, share: Math.min(1, Math.max(0, done / total)) };
    }
  }
  const notes = { source: 'simulated', car: car.id, track: ride.track.id, seed: String(ride.seed) };
  return { columns: log.finish(), notes };
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
function surfaceOf(track: Track, { distanceM, offsetM }: TrackPlace, halfTrackM: number): number {
  if (Math.abs(offsetM) > track.spec.widthM / 2) return OFF_TRACK;
  const i = trackIndex(track, distanceM);
  const kerb = track.kerb[i]!;
  if (kerb !== 0 && Math.sign(kerb) * offsetM + halfTrackM > Math.abs(kerb)) return KERB;
  return track.bumpy[i]! > 0 ? BUMP : ROAD;
}

/** Runs the simulation to its end without showing progress. */
export function completeRide(ride: RidePlan, force?: ForceRecorder): RideLog {
  const steps = simulateRide(ride, force);
  for (;;) {
    const next = steps.next();
    if (next.done) return next.value;
  }
}
