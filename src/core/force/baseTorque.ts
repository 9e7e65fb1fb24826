import { equaliser } from './equaliser';
import {
  TITLE_DAMPER_NMS,
  TITLE_SPRING_NM_PER_RAD,
  type BaseForce,
  type BaseHardware,
  type TitleForce,
} from './forceSettings';
import type { RimState } from './motorRim';
import { reconstruction } from './reconstruction';

const RAD = Math.PI / 180;
/** Rim speed over which the friction that a base adds comes up, rad/s: it is asked of the motor, and creeps. */
const ADDED_FRICTION_RADPS = 0.1;
/** The bump stop: stiff enough that 14 N·m go in by 3°, damped so that it does not throw back. */
const STOP_NM_PER_RAD = 250;
const STOP_NMS = 2;
/** Speed over which the base's speed damping grows by its whole amount, m/s. */
const SPEED_OF_DAMPING = 40;
/** Hands-off protection: torque fades from this rim speed, and is this much at twice it. */
const PROTECT_FROM_RADPS = 6;
const PROTECTED_SHARE = 0.2;

export interface BaseTorque {
  /**
   * Torque that leaves the motor now, N·m: reconstructed, shaped, damped, limited and delayed.
   * @param u the title's signal −1…1, @param isNew where it has just come
   * @param rim as it moves now, @param speedMps of the car
   */
  next(u: number, isNew: boolean, rim: Pick<RimState, 'angle' | 'rate'>, speedMps: number): number;
}

/** The base at `rateHz`: everything between the title's signal and the motor's torque. */
export function baseTorque(
  title: Pick<TitleForce, 'rateHz' | 'damper' | 'spring'>,
  base: BaseForce,
  hardware: BaseHardware,
  rateHz: number,
): BaseTorque {
  const shape = reconstruction(base.interpolation, base.smoothHz, title.rateHz, rateHz);
  const bands = equaliser(base.bands, rateHz);
  const full = base.strength * hardware.ratedNm;
  const { topRadps } = hardware;
  const spring = base.springNmPerRad + title.spring * base.springChannel * TITLE_SPRING_NM_PER_RAD;
  const titleDamper = title.damper * base.damperChannel * TITLE_DAMPER_NMS;
  const stopAt = (hardware.rotationDeg / 2) * RAD;
  const delay = new Float64Array(Math.max(1, Math.round(hardware.delayS * rateHz)));
  const isDelayed = hardware.delayS * rateHz >= 0.5;
  let at = 0;
  let slewed = 0;
  return {
    next(u, isNew, rim, speedMps) {
      const shaped = shape.next(u, isNew);
      let torque = full * (bands ? bands(shaped) : shaped);
      // What damps must go on damping while the drive is faded.
      if (base.protects) torque *= protection(rim.rate);
      const damper = titleDamper + base.damperNms * (1 + (base.speedDamping * speedMps) / SPEED_OF_DAMPING);
      torque -= damper * rim.rate + spring * rim.angle;
      if (base.frictionNm > 0) torque -= base.frictionNm * Math.tanh(rim.rate / ADDED_FRICTION_RADPS);
      const past = Math.abs(rim.angle) - stopAt;
      if (past > 0) torque -= Math.sign(rim.angle) * STOP_NM_PER_RAD * past + STOP_NMS * rim.rate;
      if (base.slewNmPerS !== null) {
        const step = base.slewNmPerS / rateHz;
        slewed += Math.min(step, Math.max(-step, torque - slewed));
        torque = slewed;
      }
      const isDriving = torque * rim.rate > 0;
      const most = isDriving
        ? Math.min(base.torqueLimitNm, hardware.ratedNm * leftAt(rim.rate, topRadps))
        : base.torqueLimitNm;
      torque = Math.min(most, Math.max(-most, torque));
      if (!isDelayed) return torque;
      const due = delay[at]!;
      delay[at] = torque;
      at = at + 1 === delay.length ? 0 : at + 1;
      return due;
    },
  };
}

/** What is left of a motor's torque while it drives a rim that turns already: nothing at its top speed. */
const leftAt = (rate: number, topRadps: number | null) =>
  topRadps === null ? Infinity : Math.max(0, 1 - Math.abs(rate) / topRadps);

function protection(rate: number): number {
  const over = Math.abs(rate) / PROTECT_FROM_RADPS - 1;
  return over <= 0 ? 1 : Math.max(PROTECTED_SHARE, 1 - (1 - PROTECTED_SHARE) * over);
}
