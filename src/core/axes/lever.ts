import type { Actor } from './actor';

/** Faults of a lever's switches, planted: a gate that does not read, and one that bounces. */
export interface LeverFaults {
  dead?: number[];
  bouncing?: number[];
}

const OUT_S = 0.6;
const IN_S = 0.5;
const BOUNCE_FROM_S = 0.2;
const BOUNCE_S = 0.04;

/**
 * A hand on a shifter: into the gate it is told and out again, over and over.
 * `step` gives the number of the gate it is in, 0 in neutral.
 */
export function simulatedLever(faults: LeverFaults = {}): Actor {
  let gate = 0;
  let elapsed = 0;
  return {
    intend(motion) {
      const wanted = motion.startsWith('gate:') ? Number(motion.slice(5)) : 0;
      if (wanted === gate) return;
      gate = wanted;
      elapsed = 0;
    },
    step(dt) {
      elapsed += dt;
      const at = (elapsed % (OUT_S + IN_S)) - OUT_S;
      if (gate === 0 || at < 0 || faults.dead?.includes(gate)) return 0;
      const bounces = faults.bouncing?.includes(gate) && at > BOUNCE_FROM_S && at < BOUNCE_FROM_S + BOUNCE_S;
      return bounces ? 0 : gate;
    },
  };
}
