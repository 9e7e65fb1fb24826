import type { CarSpec } from './carSpec';
import { drivelineOf, gearing, type ClutchSpec } from './drivelineSpec';
import { burn, makeEngine, type Engine, type EngineState } from './engine';

/** Torque over travel of a clutch: (what is let go of its working travel) to this power. */
const CLUTCH_EXPONENT = 1.5;
/** A stalled engine starts again so long after the clutch was pressed or the lever put to neutral. */
const STARTS_AFTER_S = 0.6;

/** What a clutch carries at a pedal travel (1 pressed), N·m. */
export function clutchCapacity({ torqueNm, bite, full }: ClutchSpec, pedal: number): number {
  const x = Math.min(1, Math.max(0, (bite - pedal) / (bite - full)));
  return x === 1 ? torqueNm : torqueNm * x ** CLUTCH_EXPONENT;
}

/** The pedal travel at which a clutch carries a torque. */
export function clutchTravelFor({ torqueNm, bite, full }: ClutchSpec, torque: number): number {
  return bite - (bite - full) * Math.min(1, Math.max(0, torque / torqueNm)) ** (1 / CLUTCH_EXPONENT);
}

/** What the driveline needs of a car that moves. */
export interface Turning {
  /** Front left, front right, rear left, rear right: rad/s, after the tyres and before the brakes. */
  spin: Float64Array;
  engine: EngineState;
  /** Torque through the clutch in the last step, N·m at the engine, and what it made of it so far, J. */
  clutchNm: number;
  clutchHeatJ: number;
}

export interface Driveline {
  readonly engine: Engine;
  readonly clutch: ClutchSpec;
  /** Turns engine and wheels against each other in place. @param pedal of the clutch, 1 pressed */
  turn(state: Turning, throttle: number, pedal: number, gear: number, dt: number): void;
}

/**
 * Engine, clutch, gears and differentials at velocity level: the clutch passes what makes both sides equal in this step, and
 * no more than it carries; so do the differentials. `null` for a car that has no engine of its own.
 * The torque is shared by weights w (front share/2 and (1 − front share)/2): the engine sees the mean of what it drives.
 */
export function makeDriveline(car: CarSpec): Driveline | null {
  const spec = drivelineOf(car);
  if (!spec) return null;
  const { clutch, differential } = spec;
  const engine = makeEngine(spec.engine, car.powerKw);
  const wheel = car.axleInertiaKgM2 / 2;
  const { frontShare } = spec.drive;
  const front = frontShare / 2;
  const rear = (1 - frontShare) / 2;
  const compliance = (2 * front * front + 2 * rear * rear) / wheel;
  const turns = Float64Array.from({ length: spec.gears.ratios.length + 2 }, (_, i) =>
    gearing(spec.gears, i - 1),
  );
  const last = turns.length - 1;
  // The step's length never changes while a car is driven.
  let keepsFor = 0;
  let keeps = 0;

  const differ = (spin: Float64Array, left: number, most: number, dt: number) => {
    const wanted = ((spin[left]! - spin[left + 1]!) * wheel) / (2 * dt);
    const torque = wanted > most ? most : wanted < -most ? -most : wanted;
    spin[left]! -= (torque * dt) / wheel;
    spin[left + 1]! += (torque * dt) / wheel;
  };

  return {
    engine,
    clutch,
    turn(state, throttle, pedal, gear, dt) {
      if (dt !== keepsFor) {
        keepsFor = dt;
        keeps = 1 - Math.exp(-dt / spec.engine.lagS);
      }
      const { spin, engine: e } = state;
      const n = turns[Math.min(last, Math.max(0, gear + 1))]!;
      const capacity = n === 0 ? 0 : clutchCapacity(clutch, pedal);
      if (e.omega > 0) burn(engine, e, throttle, keeps);
      else {
        // Nothing burns: what turns it has to overcome its drag.
        e.torque = 0;
        e.stoodS = capacity === 0 ? e.stoodS + dt : 0;
        if (e.stoodS >= STARTS_AFTER_S) Object.assign(e, { omega: engine.idle, stoodS: 0 });
      }
      const free = e.omega + (e.torque * dt) / engine.inertia;
      let torque = 0;
      if (capacity > 0) {
        const turned = n * (front * (spin[0]! + spin[1]!) + rear * (spin[2]! + spin[3]!));
        const give = 1 / engine.inertia + n * n * compliance;
        const slip = free - turned;
        const wanted = slip / dt / give;
        torque = wanted > capacity ? capacity : wanted < -capacity ? -capacity : wanted;
        // One that holds slips nowhere and heats nothing.
        if (torque !== wanted) state.clutchHeatJ += torque * (slip - (torque * dt * give) / 2) * dt;
        const each = (torque * n * dt) / wheel;
        spin[0]! += each * front;
        spin[1]! += each * front;
        spin[2]! += each * rear;
        spin[3]! += each * rear;
      }
      state.clutchNm = torque;
      const through = Math.abs(torque * n);
      if (frontShare > 0)
        differ(spin, 0, differential.preloadNm + differential.share * through * frontShare, dt);
      if (frontShare < 1)
        differ(spin, 2, differential.preloadNm + differential.share * through * (1 - frontShare), dt);
      const omega = free - (torque * dt) / engine.inertia;
      // Under its stall it stops; a stalled one is held by its own drag.
      e.omega = omega < engine.stallsAt ? 0 : omega;
    },
  };
}
