import type { Random } from '../numeric/random';
import type { CarSpec } from '../vehicle/carSpec';
import type { PedalChain } from '../vehicle/pedalChain';
import { makeTransmission } from '../vehicle/transmission';
import { clutchCapacity } from '../vehicle/driveline';
import { gearing, type DrivelineSpec } from '../vehicle/drivelineSpec';
import { HANDS_OFF, makeTwoTrack, restingState, type Controls } from '../vehicle/twoTrack';

/** What a launch is judged by. */
export interface Launch {
  /** Time over 20 m and 60 m, s. */
  t20S: number;
  t60S: number;
  /** How far the rear wheels turned over more than ordinary slip, m. */
  spinM: number;
  /** 1 − least engine speed/launch engine speed. */
  bog: number;
  clutchKj: number;
  /** Whether the wheels went to the engine's speed, and not the engine to the car's. */
  ranAway: boolean;
}

/** How one launch differs from the exact one: shares, and seconds. */
export interface LaunchSlips {
  /** Of the grip. */
  grip: number;
  /** Of the engine speed that the foot holds. */
  rpm: number;
  /** When the second paddle is let go. */
  releaseS: number;
  /** Travel by which the second paddle stands off what it was set to. */
  hold: number;
}
export const EXACT: LaunchSlips = { grip: 0, rpm: 0, releaseS: 0, hold: 0 };

const GRIP_OFF = 0.02;
const RPM_OFF = 0.03;
const RELEASE_OFF_S = 0.05;
const HOLD_OFF = 0.002;

/** A launch of a person on a road that is not quite the same each time. */
export const humanSlips = (random: Random): LaunchSlips => ({
  grip: GRIP_OFF * (2 * random.uniform() - 1),
  rpm: RPM_OFF * random.normal(),
  releaseS: RELEASE_OFF_S * random.normal(),
  hold: HOLD_OFF * random.normal(),
});

/** Up to this, slip is what a tyre needs to push. */
export const ORDINARY_SLIP = 1.15;
const DT = 0.001;
const MOST_S = 15;
/** The first paddle is let go within this; the second one over its time, once both sides turn alike and a hand has noticed. */
const FIRST_S = 0.05;
const SECOND_S = 0.25;
const NOTICED_S = 0.15;
const ALIKE = 0.03;
/** Wheels that turn so much faster than the road when they have the engine's speed have run away. */
const AWAY = 1.3;
/** The foot: gain over the share that the engine is off its speed, and its lag. */
const FOOT_GAIN = 6;
const FOOT_LAG_S = 0.07;

/**
 * A launch with two clutch paddles: the first is let go, the second holds the clutch at `hold` until the car has the engine's
 * speed, then goes as well. The foot holds the engine's speed while the clutch slips.
 * @param hold clutch travel after the response, 1 pressed
 * @param omega engine speed that is held, rad/s
 * @param throttle the pedal under test, with its sensor, calibration and response
 */
export function launchRun(
  car: CarSpec,
  spec: DrivelineSpec,
  throttle: PedalChain,
  hold: number,
  omega: number,
  slips: LaunchSlips,
): Launch {
  const aim = omega * (1 + slips.rpm);
  const body = makeTwoTrack({ ...car, mu0: car.mu0 * (1 + slips.grip) });
  const { engine, clutch } = body.driveline!;
  const state = restingState(car, 0);
  state.engine.omega = aim;
  const transmission = makeTransmission(car, 0, { isAutomatic: true, clutch: 'foot' })!;
  const controls: Controls = { ...HANDS_OFF, gear: 1 };
  const held = hold + slips.hold;
  const r = car.wheelRadiusM;
  const first = gearing(spec.gears, 1);
  const launch: Launch = { t20S: MOST_S, t60S: MOST_S, spinM: 0, bog: 0, clutchKj: 0, ranAway: false };
  let alikeAt: number | null = null;
  let foot = 0;
  let least = aim;
  for (let t = 0; t < MOST_S && state.x < 60; t += DT) {
    const turned = (first * (state.spin[2]! + state.spin[3]!)) / 2;
    if (alikeAt === null && t > FIRST_S && turned > (1 - ALIKE) * state.engine.omega) {
      alikeAt = t;
      launch.ranAway = turned * r > AWAY * first * Math.max(1, state.vx);
    }
    const letGoAt = alikeAt === null ? Infinity : alikeAt + Math.max(0, NOTICED_S + slips.releaseS);
    const second = Math.min(1, Math.max(0, 1 - (t - letGoAt) / SECOND_S));
    controls.clutch = Math.max(1 - t / FIRST_S, held * second, 0);
    const u =
      alikeAt === null
        ? engine.throttleFor(clutchCapacity(clutch, controls.clutch), aim) +
          FOOT_GAIN * (1 - state.engine.omega / aim)
        : 1;
    const wanted = throttle.positionFor(Math.min(1, Math.max(0, u)), 1);
    foot += ((wanted - foot) * DT) / FOOT_LAG_S;
    controls.throttle = throttle.read(t, foot);
    transmission.step(state, controls, DT);
    body.step(state, controls, DT);
    if (alikeAt === null || t < alikeAt + 0.5) least = Math.min(least, state.engine.omega);
    launch.spinM += Math.max(0, (r * (state.spin[2]! + state.spin[3]!)) / 2 - ORDINARY_SLIP * state.vx) * DT;
    if (state.x < 20) launch.t20S = t + DT;
    launch.t60S = t + DT;
  }
  return { ...launch, bog: Math.max(0, 1 - least / aim), clutchKj: state.clutchHeatJ / 1000 };
}
