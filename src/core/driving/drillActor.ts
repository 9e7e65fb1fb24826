import type { FootHabits } from '../axes/foot';
import { slideDriver, type SlideDriver } from '../slides/slideDriver';
import { steadySlide } from '../slides/steadySlide';
import type { DrillName } from '../drills/measureDrill';
import { HELD_RAD } from '../drills/possible';
import type { Random } from '../numeric/random';
import { slowNoise } from '../numeric/slowNoise';
import { wheelbaseOf, type CarSpec } from '../vehicle/carSpec';
import type { PedalChain } from '../vehicle/pedalChain';
import type { BodyState, Controls, TwoTrack } from '../vehicle/twoTrack';

/** What an actor works with: pedals under test, and a foot with its spread. */
export interface ActorSetup {
  car: CarSpec;
  body: TwoTrack;
  /** What is driven round; `null` where the road has no circle. */
  circle: { x: number; y: number; r: number } | null;
  throttle: PedalChain;
  brake: PedalChain;
  foot: FootHabits;
  random: Random;
}

/**
 * What a stand-in does otherwise than drive along: fills `controls` over what the driver put there, and gives the hand wheel's angle,
 * rad. @param hand what the driver wants it to be
 */
export type DrillActor = (
  t: number,
  dt: number,
  state: BodyState,
  controls: Controls,
  hand: number,
) => number;

/** The ankle, 1/s. */
const FOOT_RATE = 14;

/** Who takes a drill's part; what is missing here is driven as the road goes. */
export function drillActor(name: DrillName, setup: ActorSetup): DrillActor | null {
  return ACTORS[name]?.(setup) ?? null;
}

const ACTORS: Partial<Record<DrillName, (setup: ActorSetup) => DrillActor>> = {
  circle: rounds,
  'brake-peak': presses,
  threshold: stops,
  launch: starts,
  weave: weaves,
  'slow-roll': rolls,
  initiate: (setup) => slides(setup, AGAIN),
  catch: (setup) => slides(setup, CAUGHT),
  eight: (setup) => slides(setup, EIGHT),
  'hold-angle': holds,
};

/** A foot that goes where it is sent. */
function ankle() {
  let at = 0;
  return (to: number, dt: number) => (at += (to - at) * FOOT_RATE * dt);
}

/** A foot that is held somewhere trembles by so much of the travel, this slowly. */
const TREMBLES = 0.012;
const TREMBLES_S = 0.12;

/** Along the circle, by a foot that trembles: what the title hears of it is the curve's slope there. */
function rounds({ throttle, random }: ActorSetup): DrillActor {
  const trembling = slowNoise(random, TREMBLES, TREMBLES_S);
  return (t, dt, _state, controls, hand) => {
    const travel = throttle.positionFor(controls.throttle, 1) + trembling(dt);
    controls.throttle = throttle.read(t, Math.min(1, Math.max(0, travel)));
    return hand;
  };
}

const PRESS_EVERY_S = 3.6;
const PRESS_S = 1.3;

/** The same peak again and again, as well as this foot can. */
function presses({ brake, foot, random }: ActorSetup): DrillActor {
  const move = ankle();
  let [number, peak] = [-1, 0];
  return (t, dt, _state, controls, hand) => {
    const now = Math.floor(t / PRESS_EVERY_S);
    if (now !== number) [number, peak] = [now, foot.pressTravel + foot.pressSpread * random.normal()];
    const isPressing = t % PRESS_EVERY_S > PRESS_EVERY_S - PRESS_S;
    const at = move(isPressing ? Math.min(1, peak) : foot.restTravel, dt);
    controls.brake = brake.read(t, at);
    if (isPressing) controls.throttle = 0;
    return hand;
  };
}

const STOPS_AT_S = 0.8;

/** One stop from speed, as hard as this foot presses. */
function stops({ brake, foot }: ActorSetup): DrillActor {
  const move = ankle();
  return (t, dt, _state, controls, hand) => {
    controls.brake = brake.read(t, move(t > STOPS_AT_S ? foot.pressTravel : 0, dt));
    controls.throttle = 0;
    return hand;
  };
}

/** From standstill, with as much throttle as the wheels hold. */
function starts(): DrillActor {
  return (t, _dt, _state, controls, hand) => {
    controls.brake = 0;
    if (t < STOPS_AT_S) controls.throttle = 0;
    return hand;
  };
}

const WEAVE_S = 2.2;
const WEAVE_MPS2 = 4;
/** Hands that turn less would be steering along, rad. */
const LEAST_HAND = 0.2;

/** To and fro, as evenly as it can. */
function weaves({ car }: ActorSetup): DrillActor {
  return (t, _dt, state, controls, hand) => {
    const curvature = WEAVE_MPS2 / Math.max(25, state.vx * state.vx);
    const reach = Math.max(LEAST_HAND, curvature * wheelbaseOf(car) * car.steeringRatio);
    const turned = reach * Math.sin((2 * Math.PI * t) / WEAVE_S);
    controls.steer = (hand + turned) / car.steeringRatio;
    return hand + turned;
  };
}

const ROLL_MPS = 2;

/** At walking pace, evenly. */
function rolls({ throttle }: ActorSetup): DrillActor {
  const move = ankle();
  return (t, dt, state, controls, hand) => {
    const wanted = Math.min(0.3, Math.max(0, 0.06 + 0.15 * (ROLL_MPS - state.vx)));
    controls.brake = 0;
    controls.throttle = throttle.read(t, move(throttle.positionFor(wanted, 1), dt));
    return hand;
  };
}

interface Slide {
  /** The handbrake is pulled so long, s, with the road wheels turned in so far, rad. */
  pullS: number;
  turnedIn: number;
  /** How much of the yaw rate the hand goes against, s: much of it catches, little lets it swing over. */
  steadies: number;
  swings: boolean;
}
const CAUGHT: Slide = { pullS: 0.4, turnedIn: 0.12, steadies: 0.3, swings: false };
const EIGHT: Slide = { pullS: 0.45, turnedIn: 0.2, steadies: 0.12, swings: true };
const AGAIN: Slide = { pullS: 0.4, turnedIn: 0.12, steadies: 0.3, swings: true };
const FIRST_PULL_S = 1.2;
const SWING_EVERY_S = 4;
const ARM_S = 0.09;
/** No arm is quicker, rad/s. */
const ARM_RADPS = 18;
const LEAST_MPS = 4;

/** Lets the rear go and catches it; for a figure of eight to the other side each time. */
function slides({ car, throttle }: ActorSetup, { pullS, turnedIn, steadies, swings }: Slide): DrillActor {
  let arm: number | null = null;
  const move = ankle();
  return (t, dt, state, controls, hand) => {
    arm ??= hand;
    const since = t - FIRST_PULL_S;
    const swing = swings ? Math.floor(since / SWING_EVERY_S) : 0;
    const into = since - swing * SWING_EVERY_S;
    const way = swing % 2 === 0 ? 1 : -1;
    let wanted = hand;
    if (since >= 0) {
      const isPulling = into < pullS;
      controls.handbrake = isPulling ? 1 : 0;
      controls.brake = 0;
      const goes = Math.atan2(state.vy + car.frontM * state.yawRate, Math.max(LEAST_MPS, state.vx));
      wanted = isPulling
        ? way * turnedIn * car.steeringRatio
        : (goes - steadies * state.yawRate) * car.steeringRatio;
      const pace = swings ? Math.min(1, Math.max(0, (11 - state.vx) / 4)) : 0.15;
      controls.throttle = throttle.read(t, move(isPulling ? 0 : throttle.positionFor(pace, 1), dt));
    }
    const step = ((wanted - arm) / ARM_S) * dt;
    arm += Math.max(-ARM_RADPS * dt, Math.min(ARM_RADPS * dt, step));
    controls.steer = arm / car.steeringRatio;
    return arm;
  };
}

/** From this drift on the slide is there, and is only to be held. */
const BEGUN = 0.6;

/** Breaks the rear loose on the circle, and holds it there; a car that no throttle holds in a slide comes back by itself. */
function holds(setup: ActorSetup): DrillActor {
  const { body, circle, car, throttle } = setup;
  const begins = slides(setup, EIGHT);
  const move = ankle();
  let arm = 0;
  let driver: SlideDriver | null = null;
  return (t, dt, state, controls, hand) => {
    const drift = Math.atan2(state.vy, Math.max(LEAST_MPS, state.vx));
    if (!driver && circle && Math.abs(drift) > BEGUN * HELD_RAD) {
      const side = -Math.sign(drift);
      const slide = steadySlide(body, side * circle.r, -side * HELD_RAD);
      driver = slide && slideDriver(body, slide, circle);
    }
    if (!driver) {
      arm = begins(t, dt, state, controls, hand);
      return arm;
    }
    controls.handbrake = 0;
    controls.steer = arm / car.steeringRatio;
    arm = driver.step(state, controls, dt);
    controls.throttle = throttle.read(t, move(throttle.positionFor(controls.throttle, 1), dt));
    return arm;
  };
}
