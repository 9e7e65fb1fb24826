/** Order statistics. Inputs are never changed; all inputs must be finite. */

/**
 * Quantile by linear interpolation between order statistics (Hyndman & Fan 1996, type 7).
 * @param values at least one finite number, any order
 * @param p 0…1
 */
export function quantile(values: ArrayLike<number>, p: number): number {
  if (values.length === 0) throw new RangeError('quantile of nothing');
  const copy = Float64Array.from(values);
  const position = (copy.length - 1) * Math.min(1, Math.max(0, p));
  const below = Math.floor(position);
  const low = select(copy, below);
  if (position === below) return low;
  // All that lies behind the selected one is no smaller: the next order statistic is the least of it.
  let high = Infinity;
  for (let i = below + 1; i < copy.length; i++) high = Math.min(high, copy[i]!);
  return low + (high - low) * (position - below);
}

/** The k-th smallest value, found by partition (Hoare 1961) without sorting the rest. O(n) on average; reorders. */
function select(values: Float64Array, k: number): number {
  let from = 0;
  let to = values.length - 1;
  while (from < to) {
    const pivot = values[(from + to) >> 1]!;
    let i = from - 1;
    let j = to + 1;
    for (;;) {
      do i++;
      while (values[i]! < pivot);
      do j--;
      while (values[j]! > pivot);
      if (i >= j) break;
      const swapped = values[i]!;
      values[i] = values[j]!;
      values[j] = swapped;
    }
    if (k <= j) to = j;
    else from = j + 1;
  }
  return values[k]!;
}

/** As {@link quantile}, for values already in rising order. O(1). */
export function sortedQuantile(sorted: ArrayLike<number>, p: number): number {
  if (sorted.length === 0) throw new RangeError('quantile of nothing');
  const position = (sorted.length - 1) * Math.min(1, Math.max(0, p));
  const below = Math.floor(position);
  const low = sorted[below]!;
  const high = sorted[Math.min(below + 1, sorted.length - 1)]!;
  return low + (high - low) * (position - below);
}

export function median(values: ArrayLike<number>): number {
  return quantile(values, 0.5);
}

const SIGMA_PER_MAD = 1.4826;

/** Normal σ from the median absolute deviation from the median: what is far off hardly counts. */
export function robustSigma(values: ArrayLike<number>): number {
  const centre = median(values);
  return SIGMA_PER_MAD * median(Float64Array.from(values, (v) => Math.abs(v - centre)));
}

/**
 * Running median over a centred, odd window; near the ends the window is cut, not padded.
 * O(n·window) by insertion, which is fastest for the short windows used here.
 */
export function runningMedian(values: ArrayLike<number>, window: number): Float64Array {
  const half = (window - 1) / 2;
  const out = new Float64Array(values.length);
  const sorted = new Float64Array(window);
  for (let i = 0; i < values.length; i++) {
    const from = Math.max(0, i - half);
    const to = Math.min(values.length - 1, i + half);
    let count = 0;
    for (let j = from; j <= to; j++) {
      const value = values[j]!;
      let k = count++;
      while (k > 0 && sorted[k - 1]! > value) {
        sorted[k] = sorted[k - 1]!;
        k--;
      }
      sorted[k] = value;
    }
    const middle = count >> 1;
    out[i] = count % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
  }
  return out;
}
