import { discretised, lqr, type Matrix } from '../numeric/lqr';
import { drivelineOf, gearing } from '../vehicle/drivelineSpec';
import type { BodyState, Controls, TwoTrack } from '../vehicle/twoTrack';
import { makeSlideForces } from './slideForces';
import type { SteadySlide } from './steadySlide';

/** Lags of the hand and of the foot with its engine, s; a driver makes up their mind once in so long. */
const HAND_S = 0.07;
const FOOT_S = 0.11;
const DECIDES_S = 0.01;

/** v_x, v_y, yaw rate, rear wheel speed, nose against the circle, distance from it, road wheels’ angle, engine torque. */
const STATES = 8;
/** What counts as far off, of each of them, and of both hands and feet: 1 m of line, a tenth of a radian of slide. */
const FAR = [1, 0.6, 0.15, 10, 0.1, 0.6, 1, 400];
const MUCH = [0.25, 60];
const NUDGES = [1e-3, 1e-3, 1e-4, 1e-2, 1e-4, 1e-3, 1e-4, 1e-2];

/** Holds a slide on its circle. */
export interface SlideDriver {
  /** Fills `controls` but for the clutch. @returns the hand wheel’s angle, rad */
  step(state: BodyState, controls: Controls, dt: number): number;
}

/** Disturbs a driver: rad on the road wheels, N·m on the engine’s torque. */
export interface Unsteady {
  hand(dt: number): number;
  foot(dt: number): number;
}

/**
 * A driver who holds a steady slide: linear-quadratic on the eight states above, with lags of 70 and 110 ms between mind and
 * tyre. Its hand is busier than a person’s, so no hand is judged by it.
 * @param centre of the circle, m
 */
export function slideDriver(
  body: TwoTrack,
  slide: SteadySlide,
  centre: { x: number; y: number },
  unsteady: Unsteady | null = null,
): SlideDriver {
  const { car, driveline } = body;
  const engine = driveline!.engine;
  const at = [slide.vx, slide.vy, slide.yawRate, slide.omega, -slide.drift, 0, slide.steer, slide.engineNm];
  const gain = slideGain(body, slide, at);
  const footS = Math.max(DECIDES_S, FOOT_S - drivelineOf(car)!.engine.lagS);
  const wanted = { steer: slide.steer, torque: slide.engineNm };
  let hand: number | null = null;
  let foot = slide.engineNm;
  let since = DECIDES_S;

  const decide = (state: BodyState, steer: number) => {
    const away = Math.atan2(state.y - centre.y, state.x - centre.x);
    const along = away + (Math.sign(slide.radiusM) * Math.PI) / 2;
    const off = state.heading - along;
    const x = [
      state.vx,
      state.vy,
      state.yawRate,
      (state.spin[2]! + state.spin[3]!) / 2,
      Math.atan2(Math.sin(off), Math.cos(off)),
      slide.radiusM - Math.sign(slide.radiusM) * Math.hypot(state.x - centre.x, state.y - centre.y),
      steer,
      state.engine.torque,
    ];
    const [turn, push] = gain.map((row) => row.reduce((sum, k, i) => sum - k * (x[i]! - at[i]!), 0));
    wanted.steer = slide.steer + turn!;
    wanted.torque = slide.engineNm + push!;
  };

  return {
    step(state, controls, dt) {
      hand ??= controls.steer;
      since += dt;
      if (since >= DECIDES_S - dt / 2) {
        since = 0;
        decide(state, hand);
      }
      const lock = (car.lockDeg * Math.PI) / 360 / car.steeringRatio;
      hand += ((wanted.steer + (unsteady?.hand(dt) ?? 0) - hand) * dt) / HAND_S;
      hand = Math.max(-lock, Math.min(lock, hand));
      foot += ((wanted.torque + (unsteady?.foot(dt) ?? 0) - foot) * dt) / footS;
      controls.steer = hand;
      controls.gear = slide.gear;
      controls.throttle = engine.throttleFor(foot, state.engine.omega);
      controls.fuel = controls.throttle;
      controls.brake = 0;
      return hand * car.steeringRatio;
    },
  };
}

/** The regulator’s gain about a slide: rows for hand and foot. */
function slideGain(body: TwoTrack, slide: SteadySlide, at: readonly number[]): Matrix {
  const { car } = body;
  const forces = makeSlideForces(body)!;
  const turned = gearing(drivelineOf(car)!.gears, slide.gear);
  const inertia = car.axleInertiaKgM2 + body.driveline!.engine.inertia * turned * turned;
  const ahead = { ax: -slide.vy * slide.yawRate, ay: slide.vx * slide.yawRate };

  const change = (x: readonly number[]): number[] => {
    const [vx, vy, yawRate, omega, nose, off, steer, torque] = x as [
      number,
      number,
      number,
      number,
      number,
      number,
      number,
      number,
    ];
    const motion = { vx, vy, yawRate, omega, steer };
    // Load follows within a blink: the accelerations that shift it are those of the motion that they make.
    const first = forces(motion, ahead.ax, ahead.ay);
    const { fx, fy, moment, rearNm } = forces(motion, first.fx / car.massKg, first.fy / car.massKg);
    return [
      fx / car.massKg + vy * yawRate,
      fy / car.massKg - vx * yawRate,
      moment / car.yawInertiaKgM2,
      (torque * turned - rearNm) / inertia,
      yawRate - (vx * Math.cos(nose) - vy * Math.sin(nose)) / (slide.radiusM - off),
      vx * Math.sin(nose) + vy * Math.cos(nose),
      -steer / HAND_S,
      -torque / FOOT_S,
    ];
  };

  const columns = NUDGES.map((nudge, k) => {
    const [plus, minus] = [nudge, -nudge].map((by) => change(at.map((v, i) => (i === k ? v + by : v))));
    return plus!.map((value, i) => (value - minus![i]!) / (2 * nudge));
  });
  const a = Array.from({ length: STATES }, (_, i) => columns.map((column) => column[i]!));
  const b = Array.from({ length: STATES }, (_, i) => [i === 6 ? 1 / HAND_S : 0, i === 7 ? 1 / FOOT_S : 0]);
  const each = discretised(a, b, DECIDES_S);
  const weights = (far: readonly number[]) => far.map((one) => 1 / (one * one));
  return lqr(each.a, each.b, weights(FAR), weights(MUCH));
}
