import { AIR_DENSITY, GRAVITY, peakTanFront, peakTanRear, wheelbaseOf, type CarSpec } from './carSpec';
import { makeDriveline, type Driveline, type Turning } from './driveline';
import { driveForce, slopePull } from './driveForce';
import { radps } from './drivelineSpec';
import { idling } from './engine';
import { gearAt, rollingOmega } from './gearbox';
import { makeTrail, makeTyre, type Contact, type Tyre } from './tyre';

/** Order of the wheels in every array of four: front left, front right, rear left, rear right. */
const [FL, FR, RL, RR] = [0, 1, 2, 3] as const;

/** Planar two-track body with four wheel speeds, load transfer and relaxing tyres (ISO 8855, z up, left positive). */
export interface BodyState extends Turning {
  x: number;
  y: number;
  heading: number;
  vx: number;
  vy: number;
  yawRate: number;
  /** Relaxed slips per wheel: tan α and κ. */
  slip: Float64Array;
  kappa: Float64Array;
  /** Wheel loads of the last step, N. */
  load: Float64Array;
  /** Mean tan α of each axle. */
  slipFront: number;
  slipRear: number;
  /** Accelerations of the last step, and the low-passed ones that shift load. */
  ax: number;
  ay: number;
  axSlow: number;
  aySlow: number;
  /** Moments of both front tyres about their steering axes, N·m, left positive: by caster trail and by their own. */
  momentMechanical: number;
  momentPneumatic: number;
  /** Sine of the slope under it along its nose, uphill positive: whoever moves it over a road says so. */
  grade: number;
}

/** What hands and feet do; a car without a driveline has neither clutch nor gears. */
export interface Controls {
  /** Road-wheel angle, rad, left positive. */
  steer: number;
  /** 0…1 after calibration and response. */
  throttle: number;
  brake: number;
  /** 0…1, 1 pressed. */
  clutch: number;
  handbrake: number;
  /** Throttle that is burnt: the pedal's, but while a gearbox brings the engine to its next gear. */
  fuel: number;
  /** −1 back, 0 neutral, 1 the first. */
  gear: number;
}

/** Nothing is touched, and no gear is in. */
export const HANDS_OFF: Controls = {
  steer: 0,
  throttle: 0,
  brake: 0,
  clutch: 0,
  handbrake: 0,
  fuel: 0,
  gear: 0,
};

export interface TwoTrack {
  readonly car: CarSpec;
  readonly tyreFront: Tyre;
  readonly tyreRear: Tyre;
  /** Static wheel loads, N per wheel. */
  readonly loadFront: number;
  readonly loadRear: number;
  /** Understeer gradient K, rad/(m/s²): δ = L/R + K·v²/R. */
  readonly understeer: number;
  /** `null` for a car that knows only its power. */
  readonly driveline: Driveline | null;
  /** Wheel loads at a speed², a slope and the accelerations that shift load, N; written to `out`. */
  loads(speed2: number, grade: number, ax: number, ay: number, out: Float64Array): void;
  /** Advances the state in place by dt (semi-implicit Euler). */
  step(state: BodyState, controls: Controls, dt: number): void;
}

/** Longitudinal slip at the peak, of every tyre. */
export const PEAK_KAPPA = 0.11;
export const MAGIC = { cy: 1.3, ey: -0.5, cx: 1.55, ex: 0, peakKappa: PEAK_KAPPA };
const LOAD_TRANSFER_S = 0.06;
/** Below this speed longitudinal slip gets extra damping. */
const SLOW_MPS = 3;
const SLOW_SLIP_DAMPING = 6;
/** Drag of the closed engine as a deceleration of the whole car. */
const ENGINE_BRAKE_MPS2 = 0.35;
/** What a handbrake pulled fully gives at the rear axle, N·m. */
const HANDBRAKE_NM = 3000;
/** Wheel spin below which brakes hold rather than turn the wheel backwards, rad/s. */
const LOCKED_SPIN = 0.05;
/** Torque per difference of the rear wheels' speeds at full lock, N·m·s/rad. */
const LOCKED_DIFF_NMS = 120;

export function restingState(car: CarSpec, speed: number): BodyState {
  const four = (value: number) => new Float64Array(4).fill(value);
  return {
    x: 0,
    y: 0,
    heading: 0,
    vx: speed,
    vy: 0,
    yawRate: 0,
    spin: four(speed / car.wheelRadiusM),
    slip: four(0),
    kappa: four(0),
    load: Float64Array.of(...staticLoads(car)),
    slipFront: 0,
    slipRear: 0,
    ax: 0,
    ay: 0,
    axSlow: 0,
    aySlow: 0,
    momentMechanical: 0,
    momentPneumatic: 0,
    grade: 0,
    engine: idling(engineSpeed(car, speed)),
    clutchNm: 0,
    clutchHeatJ: 0,
  };
}

const engineSpeed = (car: CarSpec, speed: number) =>
  car.engine ? rollingOmega(car, speed, gearAt(car, speed), radps(car.engine.idleRpm)) : 0;

/** Air resistance in N. */
export function dragForce(car: CarSpec, speed: number): number {
  return 0.5 * AIR_DENSITY * car.dragAreaM2 * speed * speed;
}

function staticLoads(car: CarSpec): [number, number, number, number] {
  const half = (car.massKg * GRAVITY) / wheelbaseOf(car) / 2;
  return [half * car.rearM, half * car.rearM, half * car.frontM, half * car.frontM];
}

export function makeTwoTrack(car: CarSpec): TwoTrack {
  const wheelbase = wheelbaseOf(car);
  const tyre = (peakTanAlpha: number) =>
    makeTyre({
      ...MAGIC,
      mu0: car.mu0,
      nominalLoadN: car.nominalLoadN,
      loadSensitivity: car.loadSensitivity,
      peakTanAlpha,
    });
  const tyreFront = tyre(peakTanFront(car));
  const tyreRear = tyre(peakTanRear(car));
  const trail = makeTrail(car.pneumaticTrailM, car.nominalLoadN);
  const [loadFront, , loadRear] = staticLoads(car);
  const stiffnessFront = 2 * tyreFront.corneringStiffness(loadFront);
  const stiffnessRear = 2 * tyreRear.corneringStiffness(loadRear);
  const understeer = (car.massKg / wheelbase) * (car.rearM / stiffnessFront - car.frontM / stiffnessRear);

  // What never changes is worked out once: the step runs a thousand times a second.
  const r = car.wheelRadiusM;
  const sigma = car.relaxationM;
  const halfFront = car.trackFrontM / 2;
  const halfRear = car.trackRearM / 2;
  const pitchShift = (car.massKg * car.heightM) / wheelbase / 2;
  const rollFront = (car.rollFrontShare * car.massKg * car.heightM) / car.trackFrontM;
  const rollRear = ((1 - car.rollFrontShare) * car.massKg * car.heightM) / car.trackRearM;
  const wheelInertia = car.axleInertiaKgM2 / 2;
  const brakeFront = (car.fullBrakeN * car.brakeBias * r) / 2;
  const brakeRear = (car.fullBrakeN * (1 - car.brakeBias) * r) / 2;
  const brakeHand = HANDBRAKE_NM / 2;
  const lockNms = car.diffLock * LOCKED_DIFF_NMS;
  const driveline = makeDriveline(car);

  /** A car that knows only its power: it drives the rear wheels, coupled by how fast they turn against each other. */
  const powered = (s: BodyState, { throttle }: Controls, dt: number) => {
    const { spin } = s;
    const closed = (1 - throttle) * ENGINE_BRAKE_MPS2 * car.massKg * Math.min(1, s.vx / SLOW_MPS);
    const each = (throttle * driveForce(car, s.vx) - closed) * 0.5 * r;
    const coupled = lockNms * (spin[RL]! - spin[RR]!);
    spin[RL]! += ((each - coupled) / wheelInertia) * dt;
    spin[RR]! += ((each + coupled) / wheelInertia) * dt;
  };

  const loads = (speed2: number, grade: number, ax: number, ay: number, load: Float64Array) => {
    const lift = 0.25 * AIR_DENSITY * speed2;
    const level = grade === 0 ? 1 : Math.sqrt(1 - grade * grade);
    const flatFront = Math.max(0, level * loadFront + lift * car.liftAreaFrontM2);
    const flatRear = Math.max(0, level * loadRear + lift * car.liftAreaRearM2);
    // No more load can move than there is: a lifted wheel leaves all of its axle's to the other.
    const pitch = upTo(pitchShift * ax, flatRear, flatFront);
    const front = flatFront - pitch;
    const rear = flatRear + pitch;
    // A left turn (positive) leans on the right wheels.
    const leansFront = upTo(rollFront * ay, front, front);
    const leansRear = upTo(rollRear * ay, rear, rear);
    load[FL] = front - leansFront;
    load[FR] = front + leansFront;
    load[RL] = rear - leansRear;
    load[RR] = rear + leansRear;
  };

  // What a step hands to its wheels stands in objects: numbers that are handed on one by one are each put on the heap.
  const contact: Contact = { kappa: 0, tanAlpha: 0, load: 0, fx: 0, fy: 0, rho: 0 };
  const steered = { cos: 1, sin: 0 };
  const sum = { fx: 0, fy: 0, moment: 0 };
  const asides = Float64Array.of(halfFront, -halfFront, halfRear, -halfRear);

  /** One wheel: its slips relax, its tyre turns it and pushes the body. */
  const roll = (s: BodyState, i: number, dt: number) => {
    const { spin, slip, kappa } = s;
    const isFront = i < RL;
    const tyre = isFront ? tyreFront : tyreRear;
    const aside = asides[i]!;
    const ahead = isFront ? car.frontM : -car.rearM;
    const cos = isFront ? steered.cos : 1;
    const sin = isFront ? steered.sin : 0;
    const vxBody = s.vx - s.yawRate * aside;
    const vyBody = s.vy + ahead * s.yawRate;
    const vx = vxBody * cos + vyBody * sin;
    const vy = vyBody * cos - vxBody * sin;
    const spun = spin[i]! * r - vx;
    slip[i] = relax(slip[i]!, -vy, vx, sigma, dt);
    kappa[i] = relax(kappa[i]!, spun, vx, sigma, dt);
    contact.kappa = kappa[i]!;
    contact.tanAlpha = slip[i]!;
    contact.load = s.load[i]!;
    tyre.press(contact);
    let along = contact.fx;
    if (Math.abs(vx) < SLOW_MPS) {
      // A slow tyre is damped, and gives no more than it can hold.
      const most = tyre.friction(contact.load) * contact.load;
      const damping = (1 - Math.abs(vx) / SLOW_MPS) * SLOW_SLIP_DAMPING * car.massKg * 0.25 * spun;
      along = Math.min(most, Math.max(-most, along + damping));
    }
    spin[i]! -= ((along * r) / wheelInertia) * dt;
    const x = along * cos - contact.fy * sin;
    const y = along * sin + contact.fy * cos;
    sum.fx += x;
    sum.fy += y;
    sum.moment += ahead * y - aside * x;
    if (!isFront) return;
    s.momentMechanical -= contact.fy * car.casterTrailM;
    s.momentPneumatic -= contact.fy * trail(contact.load, contact.rho);
  };

  const step = (s: BodyState, controls: Controls, dt: number) => {
    const { spin, slip } = s;
    const speed2 = s.vx * s.vx + s.vy * s.vy;
    loads(speed2, s.grade, s.axSlow, s.aySlow, s.load);
    steered.cos = Math.cos(controls.steer);
    steered.sin = Math.sin(controls.steer);
    sum.fx = sum.fy = sum.moment = 0;
    s.momentMechanical = s.momentPneumatic = 0;
    for (let i = 0; i < 4; i++) roll(s, i, dt);
    // Tyres first, then what drives, then what brakes: each acts on the speeds that the one before it left.
    if (driveline) driveline.turn(s, controls.fuel, controls.clutch, controls.gear, dt);
    else powered(s, controls, dt);
    brakeWheel(spin, FL, controls.brake * brakeFront, wheelInertia, dt);
    brakeWheel(spin, FR, controls.brake * brakeFront, wheelInertia, dt);
    const behind = controls.brake * brakeRear + controls.handbrake * brakeHand;
    brakeWheel(spin, RL, behind, wheelInertia, dt);
    brakeWheel(spin, RR, behind, wheelInertia, dt);

    s.slipFront = (slip[FL]! + slip[FR]!) / 2;
    s.slipRear = (slip[RL]! + slip[RR]!) / 2;

    s.ax = (sum.fx - dragForce(car, Math.sqrt(speed2)) * Math.sign(s.vx)) / car.massKg;
    s.ay = sum.fy / car.massKg;
    s.axSlow += ((s.ax - s.axSlow) * dt) / LOAD_TRANSFER_S;
    s.aySlow += ((s.ay - s.aySlow) * dt) / LOAD_TRANSFER_S;
    s.yawRate += (sum.moment / car.yawInertiaKgM2) * dt;
    // The slope pulls at the mass: load moves by what the tyres give, which is what a driver feels.
    s.vx += (s.ax - slopePull(s.grade) + s.vy * s.yawRate) * dt;
    s.vy += (s.ay - s.vx * s.yawRate) * dt;
    s.heading += s.yawRate * dt;
    const east = Math.cos(s.heading);
    const north = Math.sin(s.heading);
    s.x += (s.vx * east - s.vy * north) * dt;
    s.y += (s.vx * north + s.vy * east) * dt;
  };
  return { car, tyreFront, tyreRear, loadFront, loadRear, understeer, driveline, loads, step };
}

/** A shift of load, at most what lies on either side. */
function upTo(shift: number, back: number, forth: number): number {
  return shift < -back ? -back : shift > forth ? forth : shift;
}

/** du/dt = (slip speed − |v_x|·u)/σ, implicit in u, so that standing still is no special case. */
function relax(u: number, slipSpeed: number, vx: number, sigma: number, dt: number): number {
  return (u + (dt * slipSpeed) / sigma) / (1 + (dt * Math.abs(vx)) / sigma);
}

/** Brake torque opposes the spin and can hold the wheel, never turn it backwards. */
function brakeWheel(spin: Float64Array, i: number, brake: number, inertia: number, dt: number): void {
  const free = spin[i]!;
  const most = (brake / inertia) * dt;
  spin[i] = Math.abs(free) <= most + (brake > 0 ? LOCKED_SPIN * dt : 0) ? 0 : free - Math.sign(free) * most;
}
