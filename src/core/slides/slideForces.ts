import { drivelineOf } from '../vehicle/drivelineSpec';
import { dragForce, type TwoTrack } from '../vehicle/twoTrack';
import type { TyreForces } from '../vehicle/tyre';

/** A car that slides, the rear wheels driven: speeds in m/s and rad/s, the mean of the rear wheels, the road wheels' angle in rad. */
export interface SlideMotion {
  vx: number;
  vy: number;
  yawRate: number;
  omega: number;
  steer: number;
}

export interface SlideForces {
  /** Forces on the body in N, its drag among them, and moment about the vertical in N·m. */
  fx: number;
  fy: number;
  moment: number;
  /** What the rear tyres take of the axle, N·m. */
  rearNm: number;
  /** Half of the difference between the rear wheels' speeds, rad/s: positive where the left one is quicker. */
  apart: number;
}

/** The inner wheel runs away from the axle's mean by at most this share of it. */
const MOST_APART = 0.9;
const BISECTIONS = 40;

/**
 * Forces of a slide with settled tyres: slips are what the motion makes of them, loads what the accelerations do, and the
 * differential holds both rear wheels together as far as it can. The same tyres as in the body's step.
 * `null` for a car whose rear wheels are not all that drives.
 */
export function makeSlideForces(body: TwoTrack) {
  const { car } = body;
  const spec = drivelineOf(car);
  if (!spec || spec.drive.frontShare > 0) return null;
  const { differential } = spec;
  const r = car.wheelRadiusM;
  const load = new Float64Array(4);
  const out: TyreForces = { fx: 0, fy: 0 };

  const rear = (i: number, motion: SlideMotion, spin: number) => {
    const aside = (i === 2 ? car.trackRearM : -car.trackRearM) / 2;
    const vx = motion.vx - motion.yawRate * aside;
    const vy = motion.vy - car.rearM * motion.yawRate;
    body.tyreRear.forces((spin * r - vx) / Math.abs(vx), -vy / Math.abs(vx), load[i]!, out);
    return { fx: out.fx, fy: out.fy, aside };
  };
  const bothRear = (motion: SlideMotion, apart: number) => {
    const left = rear(2, motion, motion.omega + apart);
    const right = rear(3, motion, motion.omega - apart);
    // What the differential has to carry across, so that each wheel keeps its speed.
    const across = (r * (right.fx - left.fx)) / 2;
    const most = differential.preloadNm + differential.share * Math.abs(r * (left.fx + right.fx));
    return { left, right, over: Math.abs(across) - most, quicker: Math.sign(across) };
  };
  /** Together where it holds; else as far apart as it lets them. */
  const settledRear = (motion: SlideMotion) => {
    const together = bothRear(motion, 0);
    if (together.over <= 0) return { ...together, apart: 0 };
    let low = 0;
    let high = MOST_APART * motion.omega;
    for (let i = 0; i < BISECTIONS; i++) {
      const middle = (low + high) / 2;
      if (bothRear(motion, together.quicker * middle).over > 0) low = middle;
      else high = middle;
    }
    const apart = together.quicker * high;
    return { ...bothRear(motion, apart), apart };
  };

  /** @param ax, ay accelerations of the body, m/s²: they shift load */
  return (motion: SlideMotion, ax: number, ay: number): SlideForces => {
    const { vx, vy, yawRate, steer } = motion;
    const speed = Math.hypot(vx, vy);
    body.loads(speed * speed, 0, ax, ay, load);
    const cos = Math.cos(steer);
    const sin = Math.sin(steer);
    const total: SlideForces = { fx: 0, fy: 0, moment: 0, rearNm: 0, apart: 0 };
    for (let i = 0; i < 2; i++) {
      const aside = (i === 0 ? car.trackFrontM : -car.trackFrontM) / 2;
      const along = vx - yawRate * aside;
      const across = vy + car.frontM * yawRate;
      const tanAlpha = -(across * cos - along * sin) / Math.abs(along * cos + across * sin);
      body.tyreFront.forces(0, tanAlpha, load[i]!, out);
      const x = -out.fy * sin;
      const y = out.fy * cos;
      total.fx += x;
      total.fy += y;
      total.moment += car.frontM * y - aside * x;
    }
    const { left, right, apart } = settledRear(motion);
    for (const wheel of [left, right]) {
      total.fx += wheel.fx;
      total.fy += wheel.fy;
      total.moment -= car.rearM * wheel.fy + wheel.aside * wheel.fx;
      total.rearNm += wheel.fx * r;
    }
    total.fx -= dragForce(car, speed) * Math.sign(vx);
    total.apart = apart;
    return total;
  };
}
