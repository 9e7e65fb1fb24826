import { calmReport } from './calmReport';
import { chainOf, damperAtFull, type ChainFacts } from './chainOf';
import type { ForceChain, HandsOff } from './handsOff';

/** What is foretold of a rim from the hardware that it hangs on. */
export interface RimFigures {
  frictionNm: number;
  inertiaKgM2: number;
  /** Share of the greatest force that friction takes. */
  swallowed: number;
  roll: HandsOff['verdict'];
  fast: HandsOff['verdict'];
  /** N·m·s/rad; `null` where no damper settles it. */
  leastDamperNms: number | null;
  /** Greatest minimum force that stays still; `null` where the rim moves even without. */
  stillMinForce: number | null;
}

/** Share of the greatest force that the base gives that its own friction takes, 0…1. */
export const swallowedShare = ({ hardware, base }: Pick<ForceChain, 'hardware' | 'base'>): number =>
  Math.min(1, hardware.frictionNm / Math.max(1e-6, base.strength * hardware.ratedNm));

/** Nothing finer is foretold. */
const STEP = 0.0025;

/** Let go at a slow roll and at speed with the settings in force; cost: some hundred releases. */
export function rimOf(facts: ChainFacts): RimFigures {
  const chain = chainOf(facts);
  const calm = calmReport(chain, STEP, damperAtFull(chain.hardware));
  const { frictionNm, inertiaKgM2 } = chain.hardware;
  return {
    frictionNm,
    inertiaKgM2,
    swallowed: swallowedShare(chain),
    roll: calm.roll.verdict,
    fast: calm.fast.verdict,
    leastDamperNms: calm.least.damperNms,
    stillMinForce: calm.stillMinForce,
  };
}
