import type { Told } from './answers';

/**
 * How much better the answers are foretold by a best value than by somebody who doesn't feel the setting: Σ log predictive,
 * less the better of a coin's n·ln ½ and of a habit's. A habit says more or less of a kind of answer whatever is ridden; it is
 * learnt as it goes (Krichevsky and Trofimov 1981), one for each kind.
 * @param logPredictive Σ log of the chance that each answer had before it was given
 * @returns natural logarithm of the odds; ln 20 carries a claim
 */
export function evidenceOf(logPredictive: number, told: readonly Told[]): number {
  const coin = -told.length * Math.LN2;
  const kinds = new Map<string, [number, number]>();
  let habit = 0;
  for (const one of told) {
    const kind = one.kind === 'better' ? 'better' : `want ${one.setting}`;
    const counts = kinds.get(kind) ?? [0, 0];
    const said = (one.kind === 'better' ? one.isThis : one.isMore) ? 1 : 0;
    habit += Math.log((counts[said] + 0.5) / (counts[0] + counts[1] + 1));
    counts[said]++;
    kinds.set(kind, counts);
  }
  return logPredictive - Math.max(coin, habit);
}

/** A claim needs odds of 20 to 1. */
export const ENOUGH_EVIDENCE = Math.log(20);
