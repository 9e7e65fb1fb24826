import distributions from 'jstat';

const { erf, normal, studentt, chisquare, noncentralt } = distributions.jStat;

/** Standard normal distribution function. */
export function normalCdf(z: number): number {
  return 0.5 * (1 + erf(z / Math.SQRT2));
}

/** Standard normal quantile, 0 < p < 1. */
export function normalQuantile(p: number): number {
  return normal.inv(p, 0, 1);
}

const TABLE_TO = 8;
const PER_UNIT = 256;
const TABLE = Float64Array.from({ length: 2 * TABLE_TO * PER_UNIT + 2 }, (_, i) =>
  normalCdf(i / PER_UNIT - TABLE_TO),
);

/** Standard normal distribution function read from a table: within 5e-7, twenty times as fast. */
export function tabledNormalCdf(z: number): number {
  if (z <= -TABLE_TO) return 0;
  if (z >= TABLE_TO) return 1;
  const at = (z + TABLE_TO) * PER_UNIT;
  const below = Math.floor(at);
  return TABLE[below]! + (TABLE[below + 1]! - TABLE[below]!) * (at - below);
}

/** Student's t distribution function. */
export function studentCdf(t: number, degreesOfFreedom: number): number {
  return studentt.cdf(t, degreesOfFreedom);
}

/** Student's t quantile, 0 < p < 1. */
export function studentQuantile(p: number, degreesOfFreedom: number): number {
  return studentt.inv(p, degreesOfFreedom);
}

/** Quantile of χ², 0 < p < 1. */
export function chiSquareQuantile(p: number, degreesOfFreedom: number): number {
  return chisquare.inv(p, degreesOfFreedom);
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
