import type { FootHabits } from '../axes/foot';
import type { ForceRecorder } from '../force/forceInputs';
import { seededRandom } from '../numeric/random';
import type { RideLog } from '../rides/rideLog';
import type { CarSpec } from './carSpec';
import { makeDriver } from './driver';
import { pedalChain, type PedalSetup } from './pedalChain';
import { rideOnRoad } from './rideOnRoad';
import { planSpeed } from './speedPlan';
import { layTrack, type TrackSpec } from './track';
import { makeTransmission } from './transmission';
import { HANDS_OFF, makeTwoTrack, type Controls } from './twoTrack';

export interface RidePlan {
  car: CarSpec;
  track: TrackSpec;
  throttle: PedalSetup;
  brake: PedalSetup;
  foot: FootHabits;
  /** Laps to be counted; a short out-lap comes before them. */
  laps: number;
  seed: number;
  /** Logs clutch, gear, wheels and engine as well. */
  isDetailed?: boolean;
}

export interface RideProgress {
  lap: number;
  /** Share of the whole distance, 0…1. */
  share: number;
}

/** The rates of a simulated ride, 1/s: its car with feet, hands and sensors; and what the driver decides. */
export interface RideRates {
  body: number;
  driver: number;
}
/** A lap is within 0.15 % of one in which everything goes at 1 kHz (a test). */
export const RIDE_RATES: RideRates = { body: 300, driver: 150 };
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
export const PRESS_IN_HAND = 0.97;

/**
 * Simulates a ride, pedals through sensor, calibration and response, and logs it at 100 Hz.
 * Yields progress every simulated second, so that a caller can show it and stop early; the log is returned.
 * The same plan gives the same bits.
 * @param force takes down what the force chain starts from, at its own rate
 */
export function* simulateRide(
  ride: RidePlan,
  force?: ForceRecorder,
  rates: RideRates = RIDE_RATES,
): Generator<RideProgress, RideLog> {
  const { car, laps } = ride;
  const stepS = 1 / rates.body;
  const track = layTrack(ride.track);
  const body = makeTwoTrack(car);
  const throttle = pedalChain(ride.throttle, seededRandom(ride.seed * 7 + 1), rates.body);
  const brake = pedalChain(ride.brake, seededRandom(ride.seed * 7 + 2), rates.body);
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
      decidesS: 1 / rates.driver,
    });
  const { closed } = ride.track;
  // A short ring is not run up to more than once around.
  const runUpM = closed ? Math.min(RUN_UP_M, MOST_RUN_UP * track.lengthM) : 0;
  const startAt = closed ? track.lengthM - runUpM : 0;

  let driver = setOut(0);
  const road = rideOnRoad(car, track, { force, isDetailed: ride.isDetailed ?? false, stepS });
  const outfit = () => makeTransmission(car, ROLLING_START_MPS, { isAutomatic: true, clutch: 'self' });
  let transmission = outfit();
  road.setOut(startAt, ROLLING_START_MPS, closed ? 0 : 1);
  const controls: Controls = { ...HANDS_OFF };
  const lapM = closed ? track.lengthM : track.lengthM - RUN_OFF_M;
  const total = runUpM + laps * lapM;
  const mostSteps = Math.ceil(total / SLOWEST_AVERAGE_MPS / stepS);
  /** One step. @returns whether the ride is over: what stands in a generator’s own body is put on the heap from step to step */
  const isOverAfter = () => {
    if (!closed && road.place.distanceM >= lapM) {
      // An open road is driven again from its start.
      driver = setOut(road.lap);
      transmission = outfit();
      road.setOut(0, ROLLING_START_MPS, road.lap + 1);
    }
    const hand = driver.step(road.t, stepS, road.state, road.place, controls);
    transmission?.step(road.state, controls, stepS);
    road.step(body, controls, hand);
    return road.lap > laps && road.place.distanceM > RUN_OUT_M;
  };
  for (let step = 0; step < mostSteps && !isOverAfter(); step++) {
    if (step % rates.body !== 0) continue;
    const { lap, place } = road;
    const done = lap === 0 ? place.distanceM - startAt : runUpM + (lap - 1) * lapM + place.distanceM;
    yield { lap, share: Math.min(1, Math.max(0, done / total)) };
  }
  const notes = { source: 'simulated', car: car.id, track: ride.track.id, seed: String(ride.seed) };
  return road.finish(notes);
}

/** Runs the simulation to its end without showing progress. */
export function completeRide(ride: RidePlan, force?: ForceRecorder, rates?: RideRates): RideLog {
  const steps = simulateRide(ride, force, rates);
  for (;;) {
    const next = steps.next();
    if (next.done) return next.value;
  }
}
