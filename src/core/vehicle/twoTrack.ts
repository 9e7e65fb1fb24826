import { AIR_DENSITY, GRAVITY, peakTanFront, peakTanRear, wheelbaseOf, type CarSpec } from './carSpec';
import { makeTrail, makeTyre, type Tyre, type TyreForces } from './tyre';

/** Order of the wheels in every array of four: front left, front right, rear left, rear right. */
const [FL, FR, RL, RR] = [0, 1, 2, 3] as const;

/** Planar two-track body with four wheel speeds, load transfer and relaxing tyres (ISO 8855, z up, left positive). */
export interface BodyState {
  x: number;
  y: number;
  heading: number;
  vx: number;
  vy: number;
  yawRate: number;
  /** Wheel speeds, rad/s. */
  spin: Float64Array;
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
}

export interface Controls {
  /** Road-wheel angle, rad, left positive. */
  steer: number;
  /** 0…1 after calibration and response. */
  throttle: number;
  brake: number;
}

export interface TwoTrack {
  readonly car: CarSpec;
  readonly tyreFront: Tyre;
  readonly tyreRear: Tyre;
  /** Static wheel loads, N per wheel. */
  readonly loadFront: number;
  readonly loadRear: number;
  /** Understeer gradient K, rad/(m/s²): δ = L/R + K·v²/R. */
  readonly understeer: number;
  /** Advances the state in place by dt (semi-implicit Euler). */
  step(state: BodyState, controls: Controls, dt: number): void;
}

/** Longitudinal slip at the peak, of every tyre. */
export const PEAK_KAPPA = 0.11;
export const MAGIC = { cy: 1.3, ey: -0.5, cx: 1.55, ex: 0, peakKappa: PEAK_KAPPA };
const LOAD_TRANSFER_S = 0.06;
/** Below this speed longitudinal slip gets extra damping, and power is limited to a constant force. */
const SLOW_MPS = 3;
const SLOW_SLIP_DAMPING = 6;
const LEAST_POWER_SPEED = 8;
/** Drag of the closed engine as a deceleration of the whole car. */
const ENGINE_BRAKE_MPS2 = 0.35;
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
  };
}

/** Air resistance in N. */
export function dragForce(car: CarSpec, speed: number): number {
  return 0.5 * AIR_DENSITY * car.dragAreaM2 * speed * speed;
}

/** Greatest drive force at a speed, N, before the tyres have their say. */
export function driveForce(car: CarSpec, speed: number): number {
  return (car.powerKw * 1000) / Math.max(LEAST_POWER_SPEED, speed);
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
  const lockNms = car.diffLock * LOCKED_DIFF_NMS;
  const out: TyreForces = { fx: 0, fy: 0 };

  const step = (s: BodyState, controls: Controls, dt: number) => {
    const { spin, slip, kappa, load } = s;
    const speed2 = s.vx * s.vx + s.vy * s.vy;
    const lift = 0.25 * AIR_DENSITY * speed2;
    const flatFront = Math.max(0, loadFront + lift * car.liftAreaFrontM2);
    const flatRear = Math.max(0, loadRear + lift * car.liftAreaRearM2);
    // No more load can move than there is: a lifted wheel leaves all of its axle's to the other.
    const pitch = upTo(pitchShift * s.axSlow, flatRear, flatFront);
    const front = flatFront - pitch;
    const rear = flatRear + pitch;
    // A left turn (positive) leans on the right wheels.
    const leansFront = upTo(rollFront * s.aySlow, front, front);
    const leansRear = upTo(rollRear * s.aySlow, rear, rear);
    load[FL] = front - leansFront;
    load[FR] = front + leansFront;
    load[RL] = rear - leansRear;
    load[RR] = rear + leansRear;

    const cos = Math.cos(controls.steer);
    const sin = Math.sin(controls.steer);
    const vyFront = s.vy + car.frontM * s.yawRate;
    const vyRear = s.vy - car.rearM * s.yawRate;
    let fx = 0;
    let fy = 0;
    let moment = 0;
    s.momentMechanical = 0;
    s.momentPneumatic = 0;
    for (let i = 0; i < 2; i++) {
      const aside = i === FL ? halfFront : -halfFront;
      const vxBody = s.vx - s.yawRate * aside;
      const vx = vxBody * cos + vyFront * sin;
      const vy = vyFront * cos - vxBody * sin;
      const spun = spin[i]! * r - vx;
      slip[i] = relax(slip[i]!, -vy, vx, sigma, dt);
      kappa[i] = relax(kappa[i]!, spun, vx, sigma, dt);
      const rho = tyreFront.forces(kappa[i]!, slip[i]!, load[i]!, out);
      const along = damped(out.fx, slowDamping(car, spun, vx), tyreFront.friction(load[i]!) * load[i]!);
      spin[i] = spinWheel(spin[i]!, -along * r, controls.brake * brakeFront, wheelInertia, dt);
      const x = along * cos - out.fy * sin;
      const y = along * sin + out.fy * cos;
      fx += x;
      fy += y;
      moment += car.frontM * y - aside * x;
      s.momentMechanical -= out.fy * car.casterTrailM;
      s.momentPneumatic -= out.fy * trail(load[i]!, rho);
    }

    const engine =
      (controls.throttle * driveForce(car, s.vx) -
        (1 - controls.throttle) * ENGINE_BRAKE_MPS2 * car.massKg * Math.min(1, s.vx / SLOW_MPS)) *
      0.5 *
      r;
    const coupled = lockNms * (spin[RL]! - spin[RR]!);
    for (let i = 2; i < 4; i++) {
      const aside = i === RL ? halfRear : -halfRear;
      const vx = s.vx - s.yawRate * aside;
      const spun = spin[i]! * r - vx;
      slip[i] = relax(slip[i]!, -vyRear, vx, sigma, dt);
      kappa[i] = relax(kappa[i]!, spun, vx, sigma, dt);
      tyreRear.forces(kappa[i]!, slip[i]!, load[i]!, out);
      const along = damped(out.fx, slowDamping(car, spun, vx), tyreRear.friction(load[i]!) * load[i]!);
      const torque = engine - along * r + (i === RL ? -coupled : coupled);
      spin[i] = spinWheel(spin[i]!, torque, controls.brake * brakeRear, wheelInertia, dt);
      fx += along;
      fy += out.fy;
      moment -= car.rearM * out.fy + aside * along;
    }
    s.slipFront = (slip[FL]! + slip[FR]!) / 2;
    s.slipRear = (slip[RL]! + slip[RR]!) / 2;

    fx -= dragForce(car, Math.sqrt(speed2)) * Math.sign(s.vx);
    s.ax = fx / car.massKg;
    s.ay = fy / car.massKg;
    s.axSlow += ((s.ax - s.axSlow) * dt) / LOAD_TRANSFER_S;
    s.aySlow += ((s.ay - s.aySlow) * dt) / LOAD_TRANSFER_S;
    s.yawRate += (moment / car.yawInertiaKgM2) * dt;
    s.vx += (s.ax + s.vy * s.yawRate) * dt;
    s.vy += (s.ay - s.vx * s.yawRate) * dt;
    s.heading += s.yawRate * dt;
    s.x += (s.vx * Math.cos(s.heading) - s.vy * Math.sin(s.heading)) * dt;
    s.y += (s.vx * Math.sin(s.heading) + s.vy * Math.cos(s.heading)) * dt;
  };
  return { car, tyreFront, tyreRear, loadFront, loadRear, understeer, step };
}

/** A shift of load, at most what lies on either side. */
function upTo(shift: number, back: number, forth: number): number {
  return shift < -back ? -back : shift > forth ? forth : shift;
}

/** du/dt = (slip speed − |v_x|·u)/σ, implicit in u, so that standing still is no special case. */
function relax(u: number, slipSpeed: number, vx: number, sigma: number, dt: number): number {
  return (u + (dt * slipSpeed) / sigma) / (1 + (dt * Math.abs(vx)) / sigma);
}

/** What a slow tyre gives along itself: damped, and no more than it can hold. */
function damped(force: number, damping: number, most: number): number {
  return damping === 0 ? force : Math.min(most, Math.max(-most, force + damping));
}

function slowDamping(car: CarSpec, slipSpeed: number, vx: number): number {
  const share = Math.max(0, 1 - Math.abs(vx) / SLOW_MPS);
  return share * SLOW_SLIP_DAMPING * car.massKg * 0.25 * slipSpeed;
}

/** Brake torque opposes the spin and can hold the wheel, never turn it backwards. */
function spinWheel(spin: number, torque: number, brake: number, inertia: number, dt: number): number {
  const free = spin + (torque / inertia) * dt;
  const most = (brake / inertia) * dt;
  if (Math.abs(free) <= most + (brake > 0 ? LOCKED_SPIN * dt : 0)) return 0;
  return free - Math.sign(free) * most;
}
