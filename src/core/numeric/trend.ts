import { median } from './order';

/** Median of the slopes between all pairs of points (Theil 1950, Sen 1968). O(n²). */
export function theilSenSlope(x: ArrayLike<number>, y: ArrayLike<number>): number {
  const slopes: number[] = [];
  for (let i = 0; i < x.length; i++)
    for (let j = i + 1; j < x.length; j++) if (x[j] !== x[i]) slopes.push((y[j]! - y[i]!) / (x[j]! - x[i]!));
  if (slopes.length === 0) throw new RangeError('a slope needs two points apart in x');
  return median(slopes);
}

/** Mann–Kendall Z with continuity correction and correction for ties (Kendall 1975); 0 where all are equal. */
export function mannKendallZ(y: ArrayLike<number>): number {
  const n = y.length;
  let s = 0;
  for (let i = 0; i < n; i++) for (let j = i + 1; j < n; j++) s += Math.sign(y[j]! - y[i]!);
  const counts = new Map<number, number>();
  for (let i = 0; i < n; i++) counts.set(y[i]!, (counts.get(y[i]!) ?? 0) + 1);
  const spread = (m: number) => m * (m - 1) * (2 * m + 5);
  let variance = spread(n);
  for (const ties of counts.values()) variance -= spread(ties);
  variance /= 18;
  return variance === 0 ? 0 : (s - Math.sign(s)) / Math.sqrt(variance);
}

/**
 * Confidence interval of the Theil–Sen slope from the ranks of the pairwise slopes (Sen 1968; Gilbert 1987, 16.4.3).
 * @param z normal quantile of the wanted two-sided confidence, 1.96 for 95 %
 */
export function slopeInterval(x: ArrayLike<number>, y: ArrayLike<number>, z: number): [number, number] {
  const slopes: number[] = [];
  for (let i = 0; i < x.length; i++)
    for (let j = i + 1; j < x.length; j++) if (x[j] !== x[i]) slopes.push((y[j]! - y[i]!) / (x[j]! - x[i]!));
  if (slopes.length === 0) throw new RangeError('a slope needs two points apart in x');
  slopes.sort((a, b) => a - b);
  const n = x.length;
  const spread = z * Math.sqrt((n * (n - 1) * (2 * n + 5)) / 18);
  const at = (rank: number) => slopes[Math.min(slopes.length - 1, Math.max(0, Math.round(rank) - 1))]!;
  return [at((slopes.length - spread) / 2), at((slopes.length + spread) / 2 + 1)];
}
