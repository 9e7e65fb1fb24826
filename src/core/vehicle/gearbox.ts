import type { CarSpec } from './carSpec';
import { drivelineOf, gearing, radps, type DrivelineSpec } from './drivelineSpec';
import { makeEngine } from './engine';

/** A gear down comes where the engine would still be this far under the next shift up. */
const DOWN_SHARE = 0.84;
/** An engine is shifted up before its limit, at the latest. */
const BEFORE_LIMIT = 0.97;
/** No two shifts within this, beside the shift itself. */
const BETWEEN_SHIFTS_S = 0.25;
/** While the clutch is open the throttle brings the engine to the speed of the gear to come, over about so many rad/s. */
const MATCH_BAND_RADPS = 40;
/** The foot that lets a clutch in by itself: it begins a little over idle, and is off the pedal at this times idle. */
const ENGAGE_FROM = 1.15;
const ENGAGE_TO = 2.6;

/** Engine speeds, rad/s, at which the next gear pulls no less: index 0 is the first gear. */
export function shiftSpeeds(spec: DrivelineSpec, powerKw: number): number[] {
  const engine = makeEngine(spec.engine, powerKw);
  const most = BEFORE_LIMIT * engine.limit;
  return spec.gears.ratios.map((ratio, i) => {
    const next = spec.gears.ratios[i + 1];
    if (next === undefined) return Infinity;
    const drop = next / ratio;
    for (let omega = radps(spec.engine.torqueRpm); omega < most; omega += 1)
      if (engine.torque(omega * drop) * drop >= engine.torque(omega)) return omega;
    return most;
  });
}

/** What a gearbox does with the gear: it interrupts the torque while it shifts. */
export interface Gearbox {
  /** The gear that is wanted: −1 back, 0 neutral, 1 the first. */
  readonly wanted: number;
  /** The gear that is in: 0 while it shifts. */
  readonly gear: number;
  readonly isShifting: boolean;
  /** Asks for a gear; kept within what there is. */
  ask(gear: number): void;
  /** One step: the automatic asks by itself. @param omega of the engine */
  step(omega: number, dt: number, isAutomatic: boolean): void;
  /** The throttle that is burnt: while it shifts, what brings the engine to the gear to come. @param turned mean of the driven wheels, rad/s */
  blip(throttle: number, omega: number, turned: number): number;
}

/** @returns `null` for a car without gears */
export function makeGearbox(car: CarSpec, start: number): Gearbox | null {
  const spec = drivelineOf(car);
  if (!spec) return null;
  const { gears } = spec;
  const top = gears.ratios.length;
  const up = shiftSpeeds(spec, car.powerKw);
  let wanted = start;
  let gear = start;
  let leftS = 0;
  let sinceS = Infinity;
  return {
    get wanted() {
      return wanted;
    },
    get gear() {
      return gear;
    },
    get isShifting() {
      return leftS > 0;
    },
    ask(asked) {
      const next = Math.min(top, Math.max(-1, asked));
      if (next === wanted) return;
      wanted = next;
      gear = 0;
      leftS = wanted === 0 ? 0 : gears.shiftS;
    },
    step(omega, dt, isAutomatic) {
      sinceS += dt;
      if (leftS > 0) {
        leftS -= dt;
        if (leftS <= 0) {
          gear = wanted;
          sinceS = 0;
        }
        return;
      }
      gear = wanted;
      if (!isAutomatic || gear < 1 || sinceS < BETWEEN_SHIFTS_S) return;
      if (gear < top && omega > up[gear - 1]!) this.ask(gear + 1);
      else if (gear > 1) {
        const lower = (omega * gears.ratios[gear - 2]!) / gears.ratios[gear - 1]!;
        if (lower < DOWN_SHARE * up[gear - 2]!) this.ask(gear - 1);
      }
    },
    blip(throttle, omega, turned) {
      if (leftS <= 0) return throttle;
      const target = Math.max(0, turned * gearing(gears, wanted));
      return Math.min(1, Math.max(0, (target - omega) / MATCH_BAND_RADPS));
    },
  };
}

/**
 * A foot that lets the clutch in by engine speed: pressed near idle, off the pedal once the engine turns freely. It never
 * stalls, and gives the engine its speed before the car has it.
 * @returns pedal travel, 1 pressed
 */
export function automaticClutch({ engine, clutch }: DrivelineSpec, omega: number): number {
  const idle = radps(engine.idleRpm);
  const x = Math.min(1, Math.max(0, (omega / idle - ENGAGE_FROM) / (ENGAGE_TO - ENGAGE_FROM)));
  return x >= 1 ? 0 : clutch.bite - (clutch.bite - clutch.full) * x;
}

/** The gear in which a car rolls best at a speed: the lowest that is not shifted up yet. */
export function gearAt(car: CarSpec, speed: number): number {
  const spec = drivelineOf(car);
  if (!spec) return 0;
  const up = shiftSpeeds(spec, car.powerKw);
  const omega = speed / car.wheelRadiusM;
  const found = up.findIndex((most, i) => omega * gearing(spec.gears, i + 1) < DOWN_SHARE * most);
  return found < 0 ? up.length : found + 1;
}

/** Engine speed at which a car rolls in a gear without slip, rad/s; its idle at least. */
export function rollingOmega(car: CarSpec, speed: number, gear: number, idle: number): number {
  const spec = drivelineOf(car);
  return spec
    ? Math.max(idle, (Math.abs(speed) / car.wheelRadiusM) * Math.abs(gearing(spec.gears, gear)))
    : 0;
}
