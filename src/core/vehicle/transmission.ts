import type { CarSpec } from './carSpec';
import { drivelineOf } from './drivelineSpec';
import { automaticClutch, gearAt, makeGearbox, type Gearbox } from './gearbox';
import type { BodyState, Controls } from './twoTrack';

export interface TransmissionPlan {
  /** Gears are shifted by engine speed; else as they are asked for. */
  isAutomatic: boolean;
  /** The foot works the clutch; else it lets itself in, and opens for a shift. */
  hasClutchPedal: boolean;
}

/** Between feet and driveline: gears that shift, and a clutch that need not be worked. */
export interface Transmission {
  readonly gearbox: Gearbox;
  /** Fills `gear` and `fuel` of the controls, and `clutch` where no foot works it. */
  step(state: BodyState, controls: Controls, dt: number): void;
}

/** @param speed at which the car sets out, m/s; `null` for a car without a driveline */
export function makeTransmission(
  car: CarSpec,
  speed: number,
  { isAutomatic, hasClutchPedal }: TransmissionPlan,
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
      if (!hasClutchPedal) controls.clutch = gearbox.isShifting ? 1 : automaticClutch(spec, omega);
    },
  };
}
