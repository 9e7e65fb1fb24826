import type { CarSpec } from './carSpec';
import { drivelineOf } from './drivelineSpec';
import { automaticClutch, gearAt, makeGearbox, type Gearbox } from './gearbox';
import type { BodyState, Controls } from './twoTrack';

/** What works the clutch: it lets itself in and opens for a shift; a foot; or fingers, which it needs to get away but for no shift. */
export const CLUTCHES = ['self', 'foot', 'paddles'] as const;
export type ClutchBy = (typeof CLUTCHES)[number];

export interface TransmissionPlan {
  /** Gears are shifted by engine speed; else as they are asked for. */
  isAutomatic: boolean;
  clutch: ClutchBy;
}

/** Between feet and driveline: gears that shift, and a clutch that need not be worked. */
export interface Transmission {
  readonly gearbox: Gearbox;
  /** Fills `gear` and `fuel` of the controls, and `clutch` as far as nobody works it. */
  step(state: BodyState, controls: Controls, dt: number): void;
}

/** @param speed at which the car sets out, m/s; `null` for a car without a driveline */
export function makeTransmission(
  car: CarSpec,
  speed: number,
  { isAutomatic, clutch }: TransmissionPlan,
): Transmission | null {
  const spec = drivelineOf(car);
  const gearbox = makeGearbox(car, gearAt(car, speed));
  if (!spec || !gearbox) return null;
  const front = spec.drive.frontShare;
  const turned = ({ spin }: BodyState) =>
    (front * (spin[0]! + spin[1]!) + (1 - front) * (spin[2]! + spin[3]!)) / 2;
  return {
    gearbox,
    step(state, controls, dt) {
      const { omega } = state.engine;
      gearbox.step(omega, dt, isAutomatic);
      controls.gear = gearbox.gear;
      controls.fuel = gearbox.blip(controls.throttle, omega, turned(state));
      if (clutch !== 'foot' && gearbox.isShifting) controls.clutch = 1;
      else if (clutch === 'self') controls.clutch = automaticClutch(spec, omega);
    },
  };
}
