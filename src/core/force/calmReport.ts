import { once } from './once';
import type { CalmReport } from './forceAdvice';
import { FAST_MPS, handsOff, ROLL_MPS, type ForceChain } from './handsOff';
import { greatestMinForce, leastDamper, type LeastDamper } from './handsOffSearch';

/** Settled within a second is wished for; where only a great damper does it, within three is enough. */
const WITHIN_S = [1, 3] as const;

/** Let go at a slow roll and at speed; the damper that would settle both. What nobody asks for is not searched for. */
export function calmReport(chain: ForceChain, minForceStep: number, mostDamperNms: number): CalmReport {
  const least = once(() => leastOfBoth(chain, mostDamperNms));
  const stillMinForce = once(() => greatestMinForce(chain, ROLL_MPS, minForceStep));
  return {
    roll: handsOff(chain, ROLL_MPS),
    fast: handsOff(chain, FAST_MPS),
    get least() {
      return least();
    },
    get stillMinForce() {
      return stillMinForce();
    },
  };
}

function leastOfBoth(chain: ForceChain, most: number): LeastDamper {
  for (const within of WITHIN_S) {
    const fast = leastDamper(chain, FAST_MPS, within);
    if (fast.damperNms === null || fast.damperNms > most) continue;
    // Friction that holds at a slow roll is no reason for a damper.
    const roll = leastDamper(chain, ROLL_MPS, within);
    return { damperNms: Math.max(fast.damperNms, roll.damperNms ?? 0), why: null };
  }
  return leastDamper(chain, FAST_MPS, WITHIN_S[1]);
}
