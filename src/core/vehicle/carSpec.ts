import type { ClutchSpec, DifferentialSpec, DriveSpec, EngineSpec, GearsSpec } from './drivelineSpec';

/** A car as the simulator reads it. SI units, angles in degrees; axes after ISO 8855. */
export interface CarSpec {
  id: string;
  name: string;
  massKg: number;
  yawInertiaKgM2: number;
  /** Centre of mass to front and rear axle, and its height. */
  frontM: number;
  rearM: number;
  heightM: number;
  trackFrontM: number;
  trackRearM: number;
  /** Share of the roll stiffness at the front, 0…1. */
  rollFrontShare: number;
  dragAreaM2: number;
  liftAreaFrontM2: number;
  liftAreaRearM2: number;
  mu0: number;
  nominalLoadN: number;
  loadSensitivity: number;
  peakSlipFrontDeg: number;
  peakSlipRearDeg: number;
  relaxationM: number;
  /** Caster trail, and the tyre's own at the nominal load. */
  casterTrailM: number;
  pneumaticTrailM: number;
  /** Hand wheel to road wheel, and the hand wheel's lock to lock. */
  steeringRatio: number;
  lockDeg: number;
  /** Power steering: the column feels this many times less; at least 1. */
  steeringAssist: number;
  /** Column torque that the title writes as full scale, N·m. */
  fullScaleNm: number;
  wheelRadiusM: number;
  /** Spin inertia of both wheels of an axle. */
  axleInertiaKgM2: number;
  powerKw: number;
  /** Rear differential of a car without a driveline: 0 open to 1 locked. */
  diffLock: number;
  /** Its driveline, all parts of it or none: without one it has its power at any speed. */
  engine?: EngineSpec;
  gears?: GearsSpec;
  clutch?: ClutchSpec;
  differential?: DifferentialSpec;
  drive?: DriveSpec;
  /** Share of brake force at the front, and the whole brake force with the pedal at 100 %. */
  brakeBias: number;
  fullBrakeN: number;
  /** Share of the grip that the speed plan uses. */
  gripShare: number;
  /** What of it nobody gave and is taken as usual for its class, in words. */
  assumed?: readonly string[];
  /** Whether its full-scale torque is taken as usual: then nobody knows how strong its signal is in that title. */
  scaleIsAssumed?: boolean;
}

export const GRAVITY = 9.81;
/** Air at 15 °C, kg/m³ (ISO 2533). */
export const AIR_DENSITY = 1.225;

export function wheelbaseOf(car: CarSpec): number {
  return car.frontM + car.rearM;
}

/** Acceleration that the tyres allow at a speed, m/s²: µ0 over weight and downforce, before load sensitivity. */
export function gripAt(car: CarSpec, speed: number): number {
  const lift = (AIR_DENSITY / 2) * (car.liftAreaFrontM2 + car.liftAreaRearM2) * speed * speed;
  return car.mu0 * (GRAVITY + lift / car.massKg);
}

const RAD = Math.PI / 180;
/** Slip (tan α) at which the side force of an axle peaks. */
export const peakTanFront = (car: CarSpec): number => Math.tan(car.peakSlipFrontDeg * RAD);
export const peakTanRear = (car: CarSpec): number => Math.tan(car.peakSlipRearDeg * RAD);
