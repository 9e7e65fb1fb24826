import distributions from 'jstat';

const { normal, studentt, noncentralt } = distributions.jStat;

/** Standard normal quantile, 0 < p < 1. */
export function normalQuantile(p: number): number {
  return normal.inv(p, 0, 1);
}

/** Student's t distribution function. */
export function studentCdf(t: number, degreesOfFreedom: number): number {
  return studentt.cdf(t, degreesOfFreedom);
}

/** Student's t quantile, 0 < p < 1. */
export function studentQuantile(p: number, degreesOfFreedom: number): number {
  return studentt.inv(p, degreesOfFreedom);
}

/** Beyond this many samples the noncentral t series underflows; the normal approximation is then within 0.1 %. */
const SERIES_LIMIT = 100;
const BISECTIONS = 80;

/**
 * One-sided normal tolerance factor k: mean − k·sd lies below `coverage` of the population with
 * probability `confidence`. k = t′(confidence; n − 1, z_coverage·√n)/√n from the noncentral t.
 * @param n samples behind mean and sd, at least 2
 * @returns k ≥ 0; n = 4 gives 3.957, 8 gives 2.754 at 95 % / 90 %
 * @source Owen 1963; Natrella 1963 (NBS Handbook 91, 2-13) for large n
 */
export function toleranceFactor(n: number, coverage = 0.95, confidence = 0.9): number {
  const asked = `${n} ${coverage} ${confidence}`;
  const known = factors.get(asked);
  if (known !== undefined) return known;
  const factor = workedOutFactor(n, coverage, confidence);
  factors.set(asked, factor);
  return factor;
}

/** Every press counts one more, so the same few are asked for again and again; each takes some 10 ms. */
const factors = new Map<string, number>();

function workedOutFactor(n: number, coverage: number, confidence: number): number {
  if (!(n >= 2)) throw new RangeError('a tolerance factor needs two samples or more');
  const z = normalQuantile(coverage);
  if (n > SERIES_LIMIT) {
    const zc = normalQuantile(confidence);
    const a = 1 - zc ** 2 / (2 * (n - 1));
    const b = z ** 2 - zc ** 2 / n;
    return (z + Math.sqrt(z ** 2 - a * b)) / a;
  }
  let low = 0;
  let high = 100;
  for (let i = 0; i < BISECTIONS; i++) {
    const middle = (low + high) / 2;
    if (noncentralt.cdf(middle * Math.sqrt(n), n - 1, z * Math.sqrt(n)) < confidence) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * Chance that one new value from the same normal population is at least `threshold`, from the
 * predictive Student t of n earlier values: P(T_{n−1} ≥ (threshold − mean)/(sd·√(1 + 1/n))).
 * With no spread at all it is a plain 0 or 1.
 */
export function chanceOfReaching(threshold: number, mean: number, sd: number, n: number): number {
  if (n < 2) throw new RangeError('a prediction needs two samples or more');
  if (sd === 0) return mean >= threshold ? 1 : 0;
  return studentCdf((mean - threshold) / (sd * Math.sqrt(1 + 1 / n)), n - 1);
}
