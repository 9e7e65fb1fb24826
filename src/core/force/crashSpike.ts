import { baseTorque } from './baseTorque';
import type { ForceChain } from './handsOff';
import { rimAt, stepRim } from './motorRim';

const STEP_S = 0.001;
const RATE_HZ = 1000;
const LASTS_S = 1;
const MOST_OF_IT = 0.9;
const QUARTER_TURN = Math.PI / 2;

/** What a crash can do at the rim: a title with any gain asks at once for all that it can. An upper bound, from no car. */
export interface CrashSpike {
  /** Greatest torque on a rim that is held still, N·m. */
  torqueNm: number;
  /** Time until nine tenths of it are there, s. */
  riseS: number;
  /** Time until a rim that nobody holds has turned a quarter, s; `null` where it does not within a second. */
  quarterS: number | null;
}

/** Full scale from one update to the next, through base, motor and rim, with the car at a stand. */
export function crashSpike(chain: ForceChain): CrashSpike {
  const held = rimAt(0);
  const torques: number[] = [];
  allAtOnce(chain, held, (torque) => {
    torques.push(torque);
    return false;
  });
  const torqueNm = Math.max(0, ...torques);
  const rise = torques.findIndex((torque) => torque >= MOST_OF_IT * torqueNm);
  const free = rimAt(0);
  const inertia = chain.hardware.inertiaKgM2 + chain.base.inertiaKgM2;
  const quarterS = allAtOnce(chain, free, (torque) => {
    stepRim(free, torque, inertia, chain.hardware.viscousNms, chain.hardware.frictionNm, STEP_S);
    return free.angle >= QUARTER_TURN;
  });
  return { torqueNm, riseS: rise * STEP_S, quarterS };
}

/** @returns when `isOver` first said so, s; `null` where it never did */
function allAtOnce(
  { title, base, hardware }: ForceChain,
  rim: { angle: number; rate: number },
  isOver: (torqueNm: number) => boolean,
): number | null {
  const motor = baseTorque(title, base, hardware, RATE_HZ);
  const signal = title.gain > 0 ? 1 : 0;
  let due = 0;
  for (let step = 0; step < LASTS_S * RATE_HZ; step++) {
    const isNew = step * STEP_S >= due - STEP_S / 2;
    if (isNew) due += 1 / title.rateHz;
    if (isOver(motor.next(signal, isNew, rim, 0))) return (step + 1) * STEP_S;
  }
  return null;
}
