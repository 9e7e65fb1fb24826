import { seededRandom } from '../numeric/random';

const MOST_EXACT = 20_000;
const DRAWS = 10_000;
/** Two sums closer than this share of their size are the same sum in another order. */
const SAME_SUM = 1e-12;

/**
 * Two-sided permutation p for a difference of means: exact where there are at most 20,000 ways to split the laps,
 * else from 10,000 seeded shuffles with the observed one counted in.
 */
export function permutationP(a: number[], b: number[], seed: number): number {
  const all = [...a, ...b];
  const total = all.reduce((sum, v) => sum + v, 0);
  const difference = (sumA: number) => Math.abs((total - sumA) / b.length - sumA / a.length);
  const slack = SAME_SUM * Math.max(...all.map(Math.abs), Number.MIN_VALUE);
  const observed = difference(a.reduce((sum, v) => sum + v, 0)) - slack;
  if (choose(all.length, a.length) <= MOST_EXACT) {
    let extreme = 0;
    let ways = 0;
    eachSum(all, a.length, (sum) => {
      ways++;
      if (difference(sum) >= observed) extreme++;
    });
    return extreme / ways;
  }
  const random = seededRandom(seed);
  let extreme = 1;
  for (let i = 0; i < DRAWS; i++) {
    let sum = 0;
    for (let k = 0; k < a.length; k++) {
      const j = k + random.below(all.length - k);
      [all[k], all[j]] = [all[j]!, all[k]!];
      sum += all[k]!;
    }
    if (difference(sum) >= observed) extreme++;
  }
  return extreme / (DRAWS + 1);
}

/** The least p that an exact test of so many laps a side can give: what no luck can beat. */
export function leastPermutationP(nA: number, nB: number): number {
  return Math.min(1, (nA === nB ? 2 : 1) / choose(nA + nB, nA));
}

function choose(n: number, k: number): number {
  let ways = 1;
  for (let i = 1; i <= k; i++) ways = (ways * (n - k + i)) / i;
  return Math.round(ways);
}

function eachSum(values: number[], pick: number, visit: (sum: number) => void, from = 0, sum = 0): void {
  if (pick === 0) return visit(sum);
  for (let i = from; i <= values.length - pick; i++)
    eachSum(values, pick - 1, visit, i + 1, sum + values[i]!);
}

/** Holm's step-down adjustment (Holm 1979); same order as given. */
export function holm(ps: number[]): number[] {
  const order = ps.map((_, i) => i).sort((i, j) => ps[i]! - ps[j]!);
  const adjusted = new Array<number>(ps.length);
  let running = 0;
  order.forEach((i, rank) => {
    running = Math.max(running, Math.min(1, (ps.length - rank) * ps[i]!));
    adjusted[i] = running;
  });
  return adjusted;
}
