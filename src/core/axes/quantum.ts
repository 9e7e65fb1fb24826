/** A step must be seen this often to count as the device's own. */
const LEAST_OCCURRENCES = 5;
/** Two differences are the same step when they agree this well; floating-point axes carry rounding. */
const SAME_STEP_RELATIVE = 1e-6;
/** No pedal or wheel sensor resolves more levels; a finer "step" is a host's smoothing or a file's digits. */
const MOST_BITS = 20;

/**
 * The device's resolution: the smallest non-zero |Δraw| that occurs at least 5 times.
 * @param raw samples in raw counts, in time order
 * @param range the device's whole range in counts
 * @returns raw counts, or `null` where no step repeats (a host that smooths the axis)
 */
export function findQuantum(raw: ArrayLike<number>, range: number): number | null {
  const steps: number[] = [];
  for (let i = 1; i < raw.length; i++) {
    const step = Math.abs(raw[i]! - raw[i - 1]!);
    if (step > 0) steps.push(step);
  }
  const sorted = Float64Array.from(steps).sort();
  const rounding = Math.abs(range) * 1e-12;
  for (let from = 0; from < sorted.length;) {
    const least = sorted[from]!;
    let to = from;
    while (to < sorted.length && sorted[to]! <= least * (1 + SAME_STEP_RELATIVE) + rounding) to++;
    if (to - from >= LEAST_OCCURRENCES) {
      const tooFine = range / least > 2 ** MOST_BITS;
      return tooFine ? null : sorted[(from + to - 1) >> 1]!;
    }
    from = to;
  }
  return null;
}

/** Resolution in bits of a span cut into steps: log2(span/quantum + 1). */
export function resolutionBits(span: number, quantum: number): number {
  return Math.log2(span / quantum + 1);
}
