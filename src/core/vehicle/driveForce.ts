import { GRAVITY, type CarSpec } from './carSpec';
import { drivelineOf, gearing, radps, type DrivelineSpec } from './drivelineSpec';
import { makeEngine } from './engine';

/** Below this speed a car that knows only its power is limited to a constant force. */
const LEAST_POWER_SPEED = 8;
/** Speeds at which the force of an engine is worked out, m/s. */
const STEP_MPS = 0.25;
const MOST_MPS = 120;
/** An engine does not turn slower than this times its idle while its clutch slips. */
const SLIPPING = 2;

/** Mass that a force has to accelerate in a gear: the car, its wheels and its engine, kg. */
export function movedMass(car: CarSpec, spec: DrivelineSpec, gear: number): number {
  const n = gearing(spec.gears, gear);
  const r2 = car.wheelRadiusM * car.wheelRadiusM;
  return car.massKg + (2 * car.axleInertiaKgM2 + spec.engine.inertiaKgM2 * n * n) / r2;
}

const tables = new WeakMap<CarSpec, Float64Array>();

/**
 * Greatest force that drives a car's mass at a speed, N, before the tyres have their say: of an engine, that of its best gear,
 * less what turns the engine and the wheels themselves.
 */
export function driveForce(car: CarSpec, speed: number): number {
  let table = tables.get(car);
  if (!table) {
    const spec = drivelineOf(car);
    if (!spec) return (car.powerKw * 1000) / Math.max(LEAST_POWER_SPEED, speed);
    tables.set(car, (table = forces(car, spec)));
  }
  const at = Math.min(table.length - 1.001, Math.max(0, speed / STEP_MPS));
  const low = Math.floor(at);
  return table[low]! + (at - low) * (table[low + 1]! - table[low]!);
}

function forces(car: CarSpec, spec: DrivelineSpec): Float64Array {
  const engine = makeEngine(spec.engine, car.powerKw);
  const slowest = SLIPPING * radps(spec.engine.idleRpm);
  return Float64Array.from({ length: MOST_MPS / STEP_MPS + 1 }, (_, i) => {
    const turned = (i * STEP_MPS) / car.wheelRadiusM;
    let most = 0;
    for (let gear = 1; gear <= spec.gears.ratios.length; gear++) {
      const n = gearing(spec.gears, gear);
      if (turned * n > engine.limit) continue;
      const force = (engine.torque(Math.max(slowest, turned * n)) * n) / car.wheelRadiusM;
      most = Math.max(most, (force * car.massKg) / movedMass(car, spec, gear));
    }
    return most;
  });
}

/** What a slope takes from every acceleration, m/s². @param grade sine of it, uphill positive */
export const slopePull = (grade: number): number => GRAVITY * grade;
