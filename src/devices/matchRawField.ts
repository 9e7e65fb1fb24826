/** Finds which raw field carries the same movement as a gamepad axis: the one that goes with it sample by sample. */
const SAME_MOVEMENT = 0.995;
const LEAST_SAMPLES = 30;
const LEAST_MOVED = 0.2;

export interface Series {
  values: number[];
  /** Least and greatest value that it can have. */
  min: number;
  max: number;
}

/**
 * @returns the index of the candidate whose correlation with the axis is closest to ±1 and at least 0.995; `null` where
 *   the axis hardly moved or nothing goes with it
 */
export function matchRawField(axis: Series, candidates: readonly Series[]): number | null {
  if (axis.values.length < LEAST_SAMPLES || movedShare(axis) < LEAST_MOVED) return null;
  const likeness = candidates.map((candidate) => Math.abs(correlation(axis.values, candidate.values)));
  const best = likeness.reduce((a, b, i) => (b > (likeness[a] ?? 0) ? i : a), 0);
  return (likeness[best] ?? 0) >= SAME_MOVEMENT ? best : null;
}

function movedShare({ values, min, max }: Series): number {
  return (Math.max(...values) - Math.min(...values)) / (max - min);
}

/** Pearson's r; 0 where one of them does not move. */
function correlation(a: number[], b: number[]): number {
  const n = Math.min(a.length, b.length);
  const mean = (v: number[]) => v.slice(0, n).reduce((sum, x) => sum + x, 0) / n;
  const [ma, mb] = [mean(a), mean(b)];
  let ab = 0;
  let aa = 0;
  let bb = 0;
  for (let i = 0; i < n; i++) {
    ab += (a[i]! - ma) * (b[i]! - mb);
    aa += (a[i]! - ma) ** 2;
    bb += (b[i]! - mb) ** 2;
  }
  return aa > 0 && bb > 0 ? ab / Math.sqrt(aa * bb) : 0;
}
