import { stepRim, type RimState } from '../force/motorRim';
import type { HungMass } from './hungMass';
import type { Random } from '../numeric/random';

const GRAVITY = 9.81;
const RAD = Math.PI / 180;
/** The physics are stepped no more coarsely than this, s. */
const STEP_S = 0.00025;
const STOP_NM_PER_RAD = 60;

/** A base and its rim as they truly are. */
export interface TrueBase {
  inertiaKgM2: number;
  /** Sliding friction on average, and by how much of it one spin differs from the next (standard deviation). */
  frictionNm: number;
  frictionSpread: number;
  viscousNms: number;
  /** Moment of the rim's own imbalance, N·m: of a rim on its side (`sin`), and of one that is heavy on a side (`cos`). */
  imbalanceNm: { sin: number; cos: number };
  /** Torque of the motor's magnets, N·m, and how often in a turn; it holds a rim here and there. */
  coggingNm: number;
  coggingPerTurn: number;
  /** A spring that was left on, N·m/rad. */
  springNmPerRad: number;
  rotationDeg: number;
}

/** A rim that runs by itself, from an angle, rad, and at a speed, rad/s. */
export function spinningRim(
  base: TrueBase,
  from: number,
  rate: number,
  hung: HungMass | null,
  random: Random,
) {
  const rim: RimState = { angle: from, rate, twist: 0 };
  const inertia = base.inertiaKgM2 + (hung ? hung.kg * hung.m ** 2 : 0);
  const pull = hung ? hung.kg * GRAVITY * hung.m : 0;
  const friction = base.frictionNm * (1 + base.frictionSpread * random.normal());
  return {
    rim,
    step(dt: number) {
      const steps = Math.max(1, Math.ceil(dt / STEP_S - 1e-9));
      for (let i = 0; i < steps; i++)
        stepRim(rim, torqueOn(base, rim, pull), inertia, base.viscousNms, friction, dt / steps);
    },
  };
}

function torqueOn(base: TrueBase, { angle }: RimState, pull: number): number {
  const { imbalanceNm, coggingNm, coggingPerTurn, springNmPerRad, rotationDeg } = base;
  const beyond = Math.abs(angle) - (rotationDeg / 2) * RAD;
  const stop = beyond > 0 ? -Math.sign(angle) * STOP_NM_PER_RAD * beyond : 0;
  return (
    -(imbalanceNm.sin + pull) * Math.sin(angle) -
    imbalanceNm.cos * Math.cos(angle) +
    coggingNm * Math.sin(coggingPerTurn * angle) -
    springNmPerRad * angle +
    stop
  );
}
