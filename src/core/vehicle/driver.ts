import type { FootHabits } from '../axes/foot';
import type { Random } from '../numeric/random';
import { slowNoise } from '../numeric/slowNoise';
import { gripAt, peakTanRear, wheelbaseOf } from './carSpec';
import type { PedalChain } from './pedalChain';
import { drivelineOf, gearing } from './drivelineSpec';
import { driveForce, movedMass, slopePull } from './driveForce';
import { dragForce, PEAK_KAPPA, type BodyState, type Controls, type TwoTrack } from './twoTrack';
import type { SpeedPlan } from './speedPlan';
import { trackIndex, type Track, type TrackPlace } from './track';

const PREVIEW_S = 0.6;
const LEAST_PREVIEW_M = 4;
const PURSUIT_SHARE = 0.8;
const FORCE_SHARE = 0.8;
const YAW_GAIN = 4;
/** The arm: natural frequency, damping and delay. */
const ARM_RADPS = 2 * Math.PI * 4;
const ARM_DAMPING = 0.85;
const ARM_DELAY_S = 0.02;
/** Human spread: speed target (share) and line (m), both slow. */
const SPEED_SPREAD = 0.0075;
const SPEED_SPREAD_S = 9;
const LINE_SPREAD_M = 0.2;
const LINE_SPREAD_S = 12;
/** A hand does not follow the line's jitter: 0.2 m at once would ask for a tenth of a fast corner's curvature. */
const LINE_SMOOTH_S = 1.5;
/** Speed control: proportional 1/s, integral 1/s², and the look ahead in which acceleration is read off the plan. */
const SPEED_P = 1.6;
const SPEED_I = 0.15;
const INTEGRAL_LIMIT = 0.8;
const LOOK_AHEAD_S = 0.12;
/** Feet: rate of the ankle in 1/s, and the demand beyond which a driver simply presses fully. */
const FOOT_RATE = 14;
const ALL_OF_IT = 0.93;
/** A stop that asks for nearly all the pedal gives is pressed fully, until it asks for clearly less. */
const COMMITS = 0.9;
const EASES_OFF = 0.8;
/** Share of the rear grip left by cornering that the right foot uses. */
const TRACTION_SHARE = 0.75;
/** Share of the tyres' grip that is left where a car leans on its outer wheels. */
const IN_A_CORNER = 0.96;
/** Rear slip, in peaks, up to which the throttle stays, and at which this much of it is left: a closed one would turn the car. */
const HOLDS = 0.7;
const SLIDES = 1.2;
const STAYS_ON = 0.4;
/** Share of the grip that braking in a straight line uses; it falls with the square of what cornering leaves. */
const BRAKE_SHARE = 0.97;
/** Decelerations less than this are left to lifting off. */
const COAST_MPS2 = 0.5;

export interface Driver {
  /** Advances the driver by dt and fills `controls`; `handAngle` is read from the return value in rad. */
  step(t: number, dt: number, state: BodyState, place: TrackPlace, controls: Controls): number;
}

export interface DriverSetup {
  body: TwoTrack;
  track: Track;
  plan: SpeedPlan;
  throttle: PedalChain;
  brake: PedalChain;
  /** Where the brake foot rests and how hard it presses. */
  foot: FootHabits;
  random: Random;
  /** Time between two decisions, s; arm and feet move on between them. */
  decidesS: number;
}

/**
 * A driver who knows the road and the car: speed by plan, steering by preview and curvature, pedals through the
 * axes under test. Spread from lap to lap comes from slow noise on speed and line, seeded.
 */
export function makeDriver(setup: DriverSetup): Driver {
  const { body, track, plan, throttle, brake, foot, random, decidesS } = setup;
  const { car, understeer, tyreFront, tyreRear } = body;
  const wheelbase = wheelbaseOf(car);
  const pace = slowNoise(random, SPEED_SPREAD, SPEED_SPREAD_S);
  const line = slowNoise(random, LINE_SPREAD_M, LINE_SPREAD_S);
  const resting = slowNoise(random, foot.restWander, 1);
  const arm = { angle: 0, rate: 0, delayed: new Float64Array(64), at: 0 };
  const feet = { throttle: 0, brake: foot.restTravel };
  // In an object: variables of a closure would be put on the heap anew with every change.
  const mind = {
    integral: 0,
    lineOffset: 0,
    pressPeak: foot.pressTravel,
    braking: false,
    committed: false,
    decidedAt: -Infinity,
  };

  const roadWheelAngle = (state: BodyState, place: TrackPlace) => {
    const v = Math.max(2, state.vx);
    const preview = Math.max(LEAST_PREVIEW_M, v * PREVIEW_S);
    const k = trackIndex(track, place.distanceM + preview);
    const aimX = track.x[k]! - mind.lineOffset * track.north[k]! - state.x;
    const aimY = track.y[k]! + mind.lineOffset * track.east[k]! - state.y;
    // Along the course, not the nose: a body slip of 0.1 rad would pass for twice a fast corner's curvature.
    const course = state.heading + Math.atan2(state.vy, v);
    const cos = Math.cos(course);
    const sin = Math.sin(course);
    const ahead = aimX * cos + aimY * sin;
    const aside = aimY * cos - aimX * sin;
    const pursuit = (2 * aside) / (ahead * ahead + aside * aside);
    const here = track.curvature[trackIndex(track, place.distanceM + v * ARM_DELAY_S * 2)]!;
    const curvature = PURSUIT_SHARE * pursuit + (1 - PURSUIT_SHARE) * here;
    const lateral = v * v * curvature;
    const frontForce =
      (car.massKg * lateral * car.rearM) / wheelbase +
      ((YAW_GAIN * car.yawInertiaKgM2) / car.frontM) * (v * curvature - state.yawRate);
    const slip = Math.atan(tyreFront.slipFor(frontForce / 2, (state.load[0]! + state.load[1]!) / 2));
    const drift = Math.atan2(state.vy + car.frontM * state.yawRate, v);
    return FORCE_SHARE * (drift + slip) + (1 - FORCE_SHARE) * (wheelbase + understeer * v * v) * curvature;
  };

  const armStep = (wanted: number, dt: number) => {
    const slots = Math.max(1, Math.round(ARM_DELAY_S / dt));
    const delayed = arm.delayed[arm.at % slots]!;
    arm.delayed[arm.at++ % slots] = wanted;
    arm.rate += (ARM_RADPS * ARM_RADPS * (delayed - arm.angle) - 2 * ARM_DAMPING * ARM_RADPS * arm.rate) * dt;
    arm.angle += arm.rate * dt;
    return arm.angle;
  };

  const wantedAcceleration = (state: BodyState, place: TrackPlace, dt: number, paceShare: number) => {
    const v = Math.max(1, state.vx);
    const i = trackIndex(track, place.distanceM + v * LOOK_AHEAD_S);
    const j = trackIndex(track, place.distanceM + v * LOOK_AHEAD_S + 2 * track.stepM);
    const target = plan[i]! * paceShare;
    const slope = (plan[j]! - plan[i]!) / (2 * track.stepM);
    const error = target - v;
    mind.integral = Math.min(INTEGRAL_LIMIT, Math.max(-INTEGRAL_LIMIT, mind.integral + SPEED_I * error * dt));
    return v * slope + SPEED_P * error + mind.integral;
  };

  /** Share of the grip that cornering leaves for the pedals (friction circle); load transfer takes some of it. */
  const gripLeft = (state: BodyState) => {
    const most = IN_A_CORNER * gripAt(car, state.vx);
    const lateral = Math.min(1, Math.abs(state.ay) / most);
    return Math.sqrt(1 - lateral * lateral);
  };
  /** What an open differential puts down is twice what its lighter wheel holds, N. */
  const traction = (state: BodyState) => {
    const inner = Math.min(state.load[2]!, state.load[3]!);
    return TRACTION_SHARE * 2 * tyreRear.friction(inner) * inner;
  };
  const peakRear = peakTanRear(car);
  /** The right foot comes up as the rear begins to slide or spin: 1 while it holds, 0 past its peak. */
  const rearHolds = (state: BodyState) => {
    const spins = Math.max(state.kappa[2]!, state.kappa[3]!) / PEAK_KAPPA;
    const slides = Math.max(spins, Math.abs(state.slipRear) / peakRear);
    return Math.min(1, Math.max(STAYS_ON, (SLIDES - slides) / (SLIDES - HOLDS)));
  };

  const spec = drivelineOf(car);
  const gears = spec?.gears.ratios.length ?? 0;
  const turns = Array.from({ length: gears + 1 }, (_, gear) => (spec ? gearing(spec.gears, gear) : 0));
  const moved = turns.map((_, gear) => (spec ? movedMass(car, spec, gear) : car.massKg));
  /** The pedal that gives a force to the car's mass: of an engine, in the gear that is in. @param share of what it could give */
  const pedalFor = (force: number, share: number, { engine }: BodyState, gear: number) => {
    if (!body.driveline || gear < 1 || share >= 1) return share;
    const torque = (((force * moved[gear]!) / car.massKg) * car.wheelRadiusM) / turns[gear]!;
    return body.driveline.engine.throttleFor(torque, engine.omega);
  };

  const wanted = { hand: 0, throttle: 0, brake: foot.restTravel };
  /** Over the time since the last one. */
  const decide = (dt: number, state: BodyState, place: TrackPlace, { gear }: Controls) => {
    const paceShare = 1 + pace(dt);
    mind.lineOffset += ((line(dt) - mind.lineOffset) * dt) / LINE_SMOOTH_S;
    wanted.hand = roadWheelAngle(state, place) * car.steeringRatio;

    const a = wantedAcceleration(state, place, dt, paceShare);
    // What slows it by itself: the air, and the slope.
    const drag = dragForce(car, state.vx) / car.massKg + slopePull(state.grade);
    const left = gripLeft(state);
    const isBraking = a < -drag - COAST_MPS2;
    if (isBraking && !mind.braking) mind.pressPeak = foot.pressTravel + foot.pressSpread * random.normal();
    mind.braking = isBraking;
    const most = driveForce(car, state.vx);
    const power = (a + drag) / (most / car.massKg);
    const share = Math.min(1, (traction(state) * left) / most, Math.max(0, power > ALL_OF_IT ? 1 : power));
    const push = isBraking ? 0 : pedalFor(share * most, share, state, gear) * rearHolds(state);
    const hardest = (BRAKE_SHARE * gripAt(car, state.vx) * left * left * car.massKg) / car.fullBrakeN;
    const stop = isBraking ? Math.min(hardest, (-a - drag) / (car.fullBrakeN / car.massKg)) : 0;
    const rest = Math.max(0, foot.restTravel + resting(dt));
    const greatest = brake.outputAt(mind.pressPeak);
    mind.committed = isBraking && stop > (mind.committed ? EASES_OFF : COMMITS) * greatest;
    const press = mind.committed ? mind.pressPeak : brake.positionFor(stop, mind.pressPeak);
    wanted.throttle = throttle.positionFor(push, 1) * Math.sign(push);
    wanted.brake = isBraking ? Math.max(rest, press) : rest;
  };

  return {
    step(t, dt, state, place, controls) {
      if (t - mind.decidedAt > decidesS - dt / 2) {
        decide(Math.min(decidesS, t - mind.decidedAt), state, place, controls);
        mind.decidedAt = t;
      }
      const hand = armStep(wanted.hand, dt);
      feet.throttle += (wanted.throttle - feet.throttle) * FOOT_RATE * dt;
      feet.brake += (wanted.brake - feet.brake) * FOOT_RATE * dt;
      controls.steer = hand / car.steeringRatio;
      controls.throttle = throttle.read(t, feet.throttle);
      controls.brake = brake.read(t, feet.brake);
      return hand;
    },
  };
}
