import { median } from '../numeric/order';
import { wheelbaseOf, type CarSpec } from '../vehicle/carSpec';
import { matchRotation } from './matchRotation';
import { makeTwoTrack } from '../vehicle/twoTrack';

/** What the steering of a car rests on. */
export interface SteeredCar {
  wheelbaseM: number;
  /** Understeer gradient K, rad/(m/s²). */
  understeer: number;
  /** Hand wheel to road wheel. */
  ratio: number;
}

/** The steering of a car of the simulator. */
export function steeredCar(car: CarSpec): SteeredCar {
  const { understeer } = makeTwoTrack(car);
  return { wheelbaseM: wheelbaseOf(car), understeer, ratio: car.steeringRatio };
}

/**
 * Lateral acceleration per degree of the hands at a steady speed, m/s²: v²/(wheelbase + K·v²)/i_s · g · π/180.
 * @param gain virtual hand degrees per real one
 */
export function lateralPerDegree(car: SteeredCar, gain: number, speedMps: number): number {
  const v2 = speedMps * speedMps;
  // An oversteering car answers without end from its critical speed on: there the figure stops to mean anything.
  const effective = Math.max(LEAST_BASE * car.wheelbaseM, car.wheelbaseM + car.understeer * v2);
  return ((v2 / effective / car.ratio) * gain * Math.PI) / 180;
}

/** Share of the wheelbase that is left at least of what a car steers with. */
const LEAST_BASE = 0.01;

/** How a car turns and answers to the hands on a base: bump stop, and m/s² per degree by speed in m/s. */
export function carAnswer<S extends number>(
  car: CarSpec,
  rotation: Omit<Parameters<typeof matchRotation>[0], 'carDeg'>,
  speeds: readonly S[],
) {
  const { gain, bumpStopDeg } = matchRotation({ ...rotation, carDeg: car.lockDeg });
  const own = steeredCar(car);
  const lateral = speeds.map((speed) => [speed, lateralPerDegree(own, gain, speed)]);
  return {
    car: car.id,
    lockDeg: car.lockDeg,
    ratio: car.steeringRatio,
    bumpStopDeg,
    lateral: Object.fromEntries(lateral) as Record<S, number>,
  };
}

/** Speeds at which it is told, m/s, and the one at which profiles are compared. */
export const SENSITIVITY_SPEEDS = [20, 40, 60] as const;
export const COMPARED_AT_MPS = 30;
/** Hands that have learnt one are wrong on another that is further off than this. */
const FAR_OFF = 0.15;

export interface Consistency {
  medianMps2: number;
  /** Greatest over least. */
  spread: number;
  /** Off the median by more than 15 %, as shares of it. */
  off: { name: string; share: number }[];
}

/** How alike a driver's cars answer to the hands; `null` with fewer than two that answer at all. */
export function consistency(all: { name: string; lateral: number }[]): Consistency | null {
  const profiles = all.filter(({ lateral }) => lateral > 0);
  if (profiles.length < 2) return null;
  const values = profiles.map((p) => p.lateral);
  const middle = median(values);
  return {
    medianMps2: middle,
    spread: Math.max(...values) / Math.min(...values),
    off: profiles
      .map(({ name, lateral }) => ({ name, share: lateral / middle - 1 }))
      .filter(({ share }) => Math.abs(share) > FAR_OFF),
  };
}
