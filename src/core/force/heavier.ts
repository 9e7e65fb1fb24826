import { STRONG_NM } from '../rig/rigSpec';
import type { ForceChain } from './handsOff';

/** A rim that gets heavier by more than this at once surprises the hands. */
const MUCH = 1.25;

/** How a change of settings makes the rim heavier. */
export interface Heavier {
  /** Torque of the same signal, after over before. */
  ratio: number;
  /** Greatest torque after it, N·m. */
  peakNm: number;
  /** Whether it should be asked for once more: a quarter heavier, or past the torque from which a base can hurt. */
  asks: boolean;
}

const peakOf = ({ base, hardware }: ForceChain) =>
  Math.min(base.torqueLimitNm, base.strength * hardware.ratedNm);

/** The same signal through two chains that differ in their settings alone. */
export function heavier(before: ForceChain, after: ForceChain): Heavier {
  const per = ({ title, base }: ForceChain) => title.gain * base.strength;
  const ratio = per(before) > 0 ? per(after) / per(before) : per(after) > 0 ? MUCH * 2 : 1;
  const peakNm = peakOf(after);
  return { ratio, peakNm, asks: ratio > MUCH || (peakNm > STRONG_NM && peakOf(before) <= STRONG_NM) };
}
