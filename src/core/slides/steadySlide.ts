import { columnTorque } from '../force/titleSignal';
import { wheelbaseOf, GRAVITY } from '../vehicle/carSpec';
import { drivelineOf, gearing, radps } from '../vehicle/drivelineSpec';
import { HANDS_OFF, restingState, type BodyState, type Controls, type TwoTrack } from '../vehicle/twoTrack';
import { makeSlideForces, type SlideMotion } from './slideForces';

/** A slide that goes on for ever: a circle driven with the nose turned in. Left positive, rad and SI units. */
export interface SteadySlide extends SlideMotion {
  /** Radius of the circle, m; negative to the right. */
  radiusM: number;
  /** Angle of the way against the nose. */
  drift: number;
  speedMps: number;
  handRad: number;
  /** Half the difference of the rear wheels' speeds. */
  apart: number;
  gear: number;
  /** What the engine gives, N·m at the crankshaft, and the pedal that asks it for that. */
  engineNm: number;
  throttle: number;
  /** What the column pulls with, N·m. */
  columnNm: number;
}

/** From a slide that is hardly one, in such steps to the one that is asked for. */
const FROM_RAD = (-11 * Math.PI) / 180;
const STEP_RAD = (3 * Math.PI) / 180;
const NEWTON_STEPS = 60;
const SETTLED = 1e-10;
const NUDGE = 1e-6;
/** A gear is changed up before this share of the limiter's speed. */
const REVS = 0.8;

/** What Newton solves for: speed, road wheels' angle, and speed of the rear tyres per speed of the car. */
type Unknown = [speed: number, steer: number, turned: number];

/**
 * The slide of a radius and a drift: ΣF_x/m + v_y·r = 0, ΣF_y/m − v_x·r = 0, ΣM_z = 0 for speed, steering and rear wheel
 * speed, by Newton from −11° on. With the accelerations known from the motion (a_x = −v_y·r, a_y = v_x·r) the loads are too.
 * @param radiusM left positive; @param drift negative to the left, where the nose points inward
 * @returns `null` where there is none: the drift is more than lock, engine or tyres hold, or not all of the drive is behind
 */
export function steadySlide(body: TwoTrack, radiusM: number, drift: number): SteadySlide | null {
  const forces = makeSlideForces(body);
  const side = Math.sign(radiusM);
  const wanted = drift * side;
  if (!forces || wanted >= 0) return null;
  const { car } = body;
  const radius = Math.abs(radiusM);
  const motionOf = ([speed, steer, turned]: Unknown, beta: number): SlideMotion => ({
    vx: speed * Math.cos(beta),
    vy: speed * Math.sin(beta),
    yawRate: speed / radius,
    omega: (turned * speed) / car.wheelRadiusM,
    steer,
  });
  /** In units of the weight, so that each of them counts alike. */
  const residual = (unknown: Unknown, beta: number): [number, number, number] => {
    const motion = motionOf(unknown, beta);
    const { vx, vy, yawRate } = motion;
    const { fx, fy, moment } = forces(motion, -vy * yawRate, vx * yawRate);
    const weight = car.massKg * GRAVITY;
    return [
      (fx + car.massKg * vy * yawRate) / weight,
      (fy - car.massKg * vx * yawRate) / weight,
      moment / (weight * wheelbaseOf(car)),
    ];
  };

  const beta0 = Math.max(FROM_RAD, wanted);
  const speed0 = Math.sqrt(0.85 * car.mu0 * GRAVITY * radius);
  const ahead = Math.atan2(Math.sin(beta0) + car.frontM / radius, Math.cos(beta0));
  let unknown: Unknown | null = [speed0, ahead + 0.05, 1.1];
  const steps = Math.max(0, Math.ceil((beta0 - wanted) / STEP_RAD - 1e-9));
  for (let k = 0; k <= steps && unknown; k++) {
    const beta = k === steps ? wanted : beta0 - k * STEP_RAD;
    unknown = newton((at) => residual(at, beta), unknown);
  }
  if (!unknown) return null;

  const motion = motionOf(unknown, wanted);
  const { apart, rearNm } = forces(motion, -motion.vy * motion.yawRate, motion.vx * motion.yawRate);
  const engine = engineIn(body, motion.omega, rearNm);
  const handRad = motion.steer * car.steeringRatio;
  if (!engine || Math.abs(handRad) > (car.lockDeg * Math.PI) / 360) return null;
  const slide: SteadySlide = {
    radiusM,
    drift,
    speedMps: unknown[0],
    vx: motion.vx,
    vy: motion.vy * side,
    yawRate: motion.yawRate * side,
    omega: motion.omega,
    steer: motion.steer * side,
    handRad: handRad * side,
    apart: apart * side,
    ...engine,
    columnNm: 0,
  };
  return { ...slide, columnNm: columnOf(body, slide) };
}

/** The car in that slide: at (0, R) its circle has its centre, and it sets out along x. */
export function slidingState({ car, ...body }: TwoTrack, slide: SteadySlide): BodyState {
  const state = restingState(car, slide.speedMps);
  const { vx, vy, yawRate, omega, apart } = slide;
  Object.assign(state, { vx, vy, yawRate, heading: -slide.drift });
  Object.assign(state, { ax: -vy * yawRate, ay: vx * yawRate, axSlow: -vy * yawRate, aySlow: vx * yawRate });
  body.loads(vx * vx + vy * vy, 0, state.axSlow, state.aySlow, state.load);
  const cos = Math.cos(slide.steer);
  const sin = Math.sin(slide.steer);
  for (let i = 0; i < 4; i++) {
    const isFront = i < 2;
    const aside = ((isFront ? car.trackFrontM : car.trackRearM) / 2) * (i % 2 === 0 ? 1 : -1);
    const along = vx - yawRate * aside;
    const across = vy + (isFront ? car.frontM : -car.rearM) * yawRate;
    const ahead = isFront ? along * cos + across * sin : along;
    const aslant = isFront ? across * cos - along * sin : across;
    state.slip[i] = -aslant / ahead;
    state.spin[i] = isFront ? ahead / car.wheelRadiusM : omega + (i === 2 ? apart : -apart);
    state.kappa[i] = (state.spin[i]! * car.wheelRadiusM - ahead) / ahead;
  }
  const turned = gearing(drivelineOf(car)!.gears, slide.gear);
  Object.assign(state.engine, { omega: omega * turned, torque: slide.engineNm });
  return state;
}

/** Hands and feet that hold it, for as long as nothing disturbs it. */
export const slidingControls = ({ steer, throttle, gear }: SteadySlide): Controls => ({
  ...HANDS_OFF,
  steer,
  throttle,
  fuel: throttle,
  gear,
});

/** The lowest gear that has the revs, and what the engine gives in it; `null` where it cannot. */
function engineIn({ car, driveline }: TwoTrack, omega: number, rearNm: number) {
  const { gears, engine } = drivelineOf(car)!;
  const most = REVS * radps(engine.limitRpm);
  const gear = 1 + gears.ratios.findIndex((_, i) => gearing(gears, i + 1) * omega < most);
  if (gear === 0) return null;
  const turned = gearing(gears, gear);
  const engineNm = rearNm / turned;
  const at = omega * turned;
  if (engineNm > driveline!.engine.torque(at)) return null;
  return { gear, engineNm, throttle: driveline!.engine.throttleFor(engineNm, at) };
}

function columnOf(body: TwoTrack, slide: SteadySlide): number {
  const state = slidingState(body, slide);
  body.step(state, slidingControls(slide), 1e-6);
  return columnTorque(body.car, state.momentMechanical, state.momentPneumatic);
}

/** Newton's method for three unknowns, halving a step that makes it worse. */
function newton(residual: (at: Unknown) => [number, number, number], from: Unknown): Unknown | null {
  let at = from;
  let now = residual(at);
  for (let n = 0; n < NEWTON_STEPS; n++) {
    if (size(now) < SETTLED) return at;
    const columns = at.map((value, k) => {
      const nudge = NUDGE * Math.max(1, Math.abs(value));
      const [plus, minus] = [nudge, -nudge].map((by) =>
        residual(at.map((one, i) => (i === k ? one + by : one)) as Unknown),
      );
      return plus!.map((value, i) => (value - minus![i]!) / (2 * nudge)) as [number, number, number];
    }) as [Triple, Triple, Triple];
    const step = solve3(columns, now);
    if (!step) return null;
    let share = 1;
    let next: Unknown = at;
    let then = now;
    for (; share > 1e-4; share /= 2) {
      next = at.map((value, i) => value - share * step[i]!) as Unknown;
      then = next[0] > 0 && next[2] > 0 ? residual(next) : [NaN, NaN, NaN];
      if (size(then) < size(now)) break;
    }
    if (!(size(then) < size(now))) return size(now) < 1e-8 ? at : null;
    [at, now] = [next, then];
  }
  return null;
}

type Triple = [number, number, number];
const size = (of: Triple) => Math.hypot(...of);

/** Cramer's rule: columns of a 3×3 matrix, and the right-hand side. */
function solve3([a, b, c]: [Triple, Triple, Triple], d: Triple): Triple | null {
  const det = (p: Triple, q: Triple, r: Triple) =>
    p[0] * (q[1] * r[2] - q[2] * r[1]) -
    q[0] * (p[1] * r[2] - p[2] * r[1]) +
    r[0] * (p[1] * q[2] - p[2] * q[1]);
  const whole = det(a, b, c);
  if (!(Math.abs(whole) > 0)) return null;
  return [det(d, b, c) / whole, det(a, d, c) / whole, det(a, b, d) / whole];
}
