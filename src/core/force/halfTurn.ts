import { baseTorque } from './baseTorque';
import type { ForceChain } from './handsOff';
import { rimAt, stepRim } from './motorRim';

const STEP_S = 0.001;
const RATE_HZ = 1000;
const LASTS_S = 1;
/** What a title asks for while the rear is out, of full scale. */
const SIGNAL = 0.67;
/** A slide is caught by the rim alone nearly always under the first, about half the time under the second, seldom over it. */
export const CATCHES_S = [0.2, 0.28] as const;

/** How soon a let-go rim turns half a turn from rest, s; `null` where it does not within a second. */
export interface HalfTurn {
  nowS: number | null;
  /** The same without the base's hands-off guard: what the guard costs who lets the rim run to catch a slide. */
  unguardedS: number | null;
}

/**
 * The rim let run as in a slide: at two thirds of full scale, through base, motor and friction, with no car. It tells whether
 * a rim can follow a sliding car by itself (97 of 100 slides are caught under 0.20 s, 19 over 0.28: 2,000 simulated slides).
 */
export function halfTurn(chain: ForceChain): HalfTurn {
  return {
    nowS: turn(chain),
    unguardedS: turn({ ...chain, base: { ...chain.base, protects: false } }),
  };
}

function turn({ title, base, hardware }: ForceChain): number | null {
  const motor = baseTorque(title, base, hardware, RATE_HZ);
  const inertia = hardware.inertiaKgM2 + base.inertiaKgM2;
  const rim = rimAt(0);
  let due = 0;
  for (let step = 0; step < LASTS_S * RATE_HZ; step++) {
    const isNew = step * STEP_S >= due - STEP_S / 2;
    if (isNew) due += 1 / title.rateHz;
    stepRim(
      rim,
      motor.next(SIGNAL, isNew, rim, 0),
      inertia,
      hardware.viscousNms,
      hardware.frictionNm,
      STEP_S,
    );
    if (rim.angle >= Math.PI) return (step + 1) * STEP_S;
  }
  return null;
}
