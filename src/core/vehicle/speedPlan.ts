import { gripAt as tyreGripAt, wheelbaseOf, type CarSpec } from './carSpec';
import { driveForce, slopePull } from './driveForce';
import { dragForce } from './twoTrack';
import type { Track } from './track';

const TOP_SPEED_MPS = 90;
/** Share of the downforce that is driven on: tyres lose friction under load, and a slide at speed is not caught. */
const DOWNFORCE_TRUSTED = 0.75;
/** Acceleration at which load has moved to the driven axle, in g: about what a strong car does. */
const PUSHED_G = 0.4;

/** The wanted speed in m/s at each sample of the track's centreline. */
export type SpeedPlan = Float64Array;

/**
 * Speed plan by forward and backward passes (friction ellipse over lateral and longitudinal grip) at the car's
 * share of the grip.
 * @param brakeMps2 greatest deceleration that the driver gets from this pedal
 */
export function planSpeed(track: Track, car: CarSpec, brakeMps2: number): SpeedPlan {
  const n = track.x.length;
  const gripAt = (v: number) => trustedGrip(car, v);
  const plan = Float64Array.from(track.curvature, (k) => cornerSpeed(car, Math.abs(k)));
  const gripLeft = (v: number, i: number) =>
    Math.sqrt(Math.max(0, 1 - ((v * v * track.curvature[i]!) / gripAt(v)) ** 2));
  const driven = (car.frontM + PUSHED_G * car.heightM) / wheelbaseOf(car);
  const ds = track.stepM;
  const laps = track.spec.closed ? 2 : 1;
  for (let j = 1; j < laps * n; j++) {
    const i = (j - 1) % n;
    const v = plan[i]!;
    const push = Math.min(driveForce(car, v) / car.massKg, gripAt(v) * driven * gripLeft(v, i));
    const a = push - dragForce(car, v) / car.massKg - slopePull(track.grade[i]!);
    plan[j % n] = Math.min(plan[j % n]!, Math.sqrt(Math.max(1, v * v + 2 * a * ds)));
  }
  for (let j = laps * n - 2; j >= 0; j--) {
    const i = (j + 1) % n;
    const v = plan[i]!;
    const a =
      Math.min(brakeMps2, gripAt(v)) * gripLeft(v, i) +
      dragForce(car, v) / car.massKg +
      slopePull(track.grade[i]!);
    plan[j % n] = Math.min(plan[j % n]!, Math.sqrt(v * v + 2 * a * ds));
  }
  return plan;
}

/** Grip that the plan counts on, m/s²: a share of all there is, and of what downforce adds only some. */
function trustedGrip(car: CarSpec, v: number): number {
  const still = tyreGripAt(car, 0);
  return car.gripShare * (still + DOWNFORCE_TRUSTED * (tyreGripAt(car, v) - still));
}

/** Where the wheels are turned far a driver leaves more in hand: so much of the grip per steered angle, 1/rad. */
const LEFT_PER_RAD = 0.5;

/** v²·κ = share·µ·(g + downforce·v²/m), solved for v; downforce may carry any speed. */
function cornerSpeed(car: CarSpec, curvature: number): number {
  const used = 1 - Math.min(0.5, LEFT_PER_RAD * curvature * wheelbaseOf(car));
  const still = used * trustedGrip(car, 0);
  const perV2 = used * trustedGrip(car, 1) - still;
  const left = curvature - perV2;
  return left <= still / TOP_SPEED_MPS ** 2 ? TOP_SPEED_MPS : Math.sqrt(still / left);
}
