import { AIR_DENSITY, peakTanFront, type CarSpec } from '../vehicle/carSpec';
import { makeTwoTrack } from '../vehicle/twoTrack';
import { makeTrail, type TyreForces } from '../vehicle/tyre';
import { columnTorque } from './titleSignal';

/** A car that rolls at a set speed and is steered: what hands-off stability and the on-centre weave need. */
export interface RollingCar {
  /** Column torque now, N·m, left positive. */
  columnNm: number;
  /** Slip of the front axle, |tan α|. */
  slipFront: number;
  lateralMps2: number;
  /** Advances by dt with the hand wheel at an angle, rad. */
  step(hand: number, dt: number): void;
}

/**
 * Both tracks of an axle as one, at constant speed: side slip, yaw rate and relaxing tyres, with the car's own Magic
 * Formula and trails. A tenth of the cost of the whole car, and the same straight ahead.
 * @param speedMps above 0
 */
export function rollingCar(car: CarSpec, speedMps: number): RollingCar {
  const { tyreFront, tyreRear, loadFront, loadRear } = makeTwoTrack(car);
  const trail = makeTrail(car.pneumaticTrailM, car.nominalLoadN);
  const lift = 0.25 * AIR_DENSITY * speedMps * speedMps;
  const frontN = loadFront + lift * car.liftAreaFrontM2;
  const rearN = loadRear + lift * car.liftAreaRearM2;
  const peak = peakTanFront(car);
  const out: TyreForces = { fx: 0, fy: 0 };
  let vy = 0;
  let yaw = 0;
  let slipF = 0;
  let slipR = 0;
  const relax = (u: number, slipSpeed: number, dt: number) =>
    (u + (dt * slipSpeed) / car.relaxationM) / (1 + (dt * speedMps) / car.relaxationM);
  const rolling: RollingCar = {
    columnNm: 0,
    slipFront: 0,
    lateralMps2: 0,
    step(hand, dt) {
      const steer = hand / car.steeringRatio;
      slipF = relax(slipF, speedMps * steer - vy - car.frontM * yaw, dt);
      slipR = relax(slipR, car.rearM * yaw - vy, dt);
      tyreFront.forces(0, slipF, frontN, out);
      const front = 2 * out.fy;
      tyreRear.forces(0, slipR, rearN, out);
      const rear = 2 * out.fy;
      rolling.lateralMps2 = (front + rear) / car.massKg;
      vy += (rolling.lateralMps2 - speedMps * yaw) * dt;
      yaw += ((car.frontM * front - car.rearM * rear) / car.yawInertiaKgM2) * dt;
      rolling.slipFront = Math.abs(slipF);
      const arm = trail(frontN, Math.abs(slipF) / peak);
      rolling.columnNm = columnTorque(car, -front * car.casterTrailM, -front * arm);
    },
  };
  return rolling;
}
