import { studentCdf, studentQuantile } from '../numeric/distributions';

/** One ride of a comparison, by one measure. */
export interface RideValues {
  side: 'A' | 'B';
  /** The measure on each of its counted laps, in order of driving; `null` where a lap could not tell it. */
  values: readonly (number | null)[];
}

/** What a comparison says of one measure: B against A. */
export interface Effect {
  /** δ: B − A with the trend taken out, in the measure's own unit. */
  difference: number;
  /** Standard error of it. */
  se: number;
  /** Degrees of freedom of its t. */
  df: number;
  /** Two-sided. */
  p: number;
  /** 95 % interval. */
  interval: [number, number];
  /** Far end of the 90 % interval of |δ|: a difference that is there is smaller than this (two one-sided tests, 5 %). */
  largestLeft: number;
  /** Least true difference that these laps would show (power 0.8, 5 % two-sided). */
  smallestShown: number;
  /** λ: the trend from the first to the last lap; `null` where the order is not known. */
  drift: number | null;
}

/** Why nothing can be said of a measure. */
export type NotEnough = 'no laps of A' | 'no laps of B' | 'two laps a side' | 'more laps' | 'no order';

/** What is said of a measure, and what it is worth. */
export interface RideFit extends Effect {
  /** ρ: variance between rides over variance between laps of a ride, as these rides have it, never under {@link LEAST_RIDE_SHARE}. */
  rideShare: number;
  /**
   * The same with one variance a side, where the laps a side and their spreads are so unlike that pooling them errs;
   * `null` where they are not. A claim then needs both.
   */
  perSide: Effect | null;
}

export type Fitted = { fit: RideFit; why: null } | { fit: null; why: NotEnough };

/** The least variance between rides over variance between laps: a handful of rides that look alike does not show less. */
export const LEAST_RIDE_SHARE = 0.25;
/** Beyond this all laps of a ride say the same. */
const MOST_RIDE_SHARE = 1e4;
/** Differences under this share of the largest value are rounding. */
const ROUNDING = 1e-9;
/**
 * Laps a side that differ by more than this, or spreads that differ by more than that, are no longer pooled: with a few wild
 * laps against many calm ones a pooled variance claims from nothing in a quarter of the cases. Few laps do not show how wild
 * they are, so that unlike numbers are enough (0065).
 */
const UNEVEN_LAPS = 1.25;
const UNEVEN_SPREAD = 2;

export const LEVEL = 0.95;
export const POWER = 0.8;

/**
 * y = μ + δ·B + λ·τ + u_ride + e, by generalised least squares with V = σ²(I + ρZZᵀ). ρ is the restricted maximum likelihood
 * (Patterson and Thompson 1971) or 0.25, whichever is more: at 0.25 the t has N − p degrees of freedom, above it rides − p.
 * Where rides − p is under 1 nothing tells ρ, and 0.25 stands. τ runs from −½ to ½ over the laps in order of driving, so that
 * a session's trend is not counted to B; a lap that cannot tell the measure keeps its place.
 * Errs: docs/core.md, Rides and verdicts. One ride a side that differs as much as its laps errs in 10 to 16 %, so one ride
 * a side never speaks of the setting.
 * @param rides in order of driving, where `isOrderKnown`; values in any unit
 * @returns the fit, or why there is none: where N − p is under 2, or a side has under 2 laps
 * @example A 90.42 90.18, B 89.86 89.74, B 89.55 89.61, A 89.83 89.66 → δ −0.3325, se 0.0629, df 5, p 0.0032
 */
export function fitRides(rides: readonly RideValues[], isOrderKnown: boolean): Fitted {
  const blocks = lapsInOrder(rides);
  const { nA, nB } = lapsOf(blocks);
  const df = nA + nB - (isOrderKnown ? 3 : 2);
  if (nA === 0) return notEnough('no laps of A');
  if (nB === 0) return notEnough('no laps of B');
  if (nA < 2 || nB < 2) return notEnough('two laps a side');
  if (df < 2) return notEnough('more laps');
  const share = rideShareOf(blocks, isOrderKnown, df);
  const pooled = fit(blocks, isOrderKnown, { A: 1, B: 1 }, share.rho);
  if (!pooled) return notEnough('no order');
  const largest = largestOf(blocks);
  const effect = pooledEffect(pooled, df, share.df, largest);
  const perSide = perSideOf(blocks, isOrderKnown, pooled, { nA, nB }, { ...share, largest });
  return { fit: { ...effect, rideShare: share.rho, perSide }, why: null };
}

const pooledEffect = (
  { beta, squares, varianceOfDelta }: Fit,
  residualDf: number,
  df: number,
  largest: number,
) => effectOf(beta, Math.sqrt((squares / residualDf) * varianceOfDelta), df, largest);

/**
 * How much a claim hangs on how much rides differ by themselves: the greatest ρ at which the difference would still be told
 * from 0 at `level`. `null` where even the greatest ρ leaves it standing, or the measure can't be told.
 * @param level of p, 0 … 1
 */
export function holdsUpToShare(
  rides: readonly RideValues[],
  isOrderKnown: boolean,
  level: number,
): number | null {
  const told = fitRides(rides, isOrderKnown).fit;
  if (!told) return null;
  const blocks = lapsInOrder(rides);
  const sides = lapsOf(blocks);
  const residualDf = sides.nA + sides.nB - (isOrderKnown ? 3 : 2);
  const largest = largestOf(blocks);
  // As a claim goes: by the pooled model, and by one variance a side where that is asked as well.
  const pAt = (logRho: number) => {
    const share = { rho: Math.exp(logRho), df: told.df };
    const at = fit(blocks, isOrderKnown, { A: 1, B: 1 }, share.rho);
    if (!at) return 1;
    const own = told.perSide && perSideOf(blocks, isOrderKnown, at, sides, { ...share, largest });
    return Math.max(pooledEffect(at, residualDf, told.df, largest).p, own?.p ?? 0);
  };
  // Step by step, so that it is the first ρ at which the claim falls, whatever comes after; the last one before it is given.
  const from = Math.log(told.rideShare);
  const step = (Math.log(MOST_RIDE_SHARE) - from) / SHARE_STEPS;
  for (let i = 0; i <= SHARE_STEPS; i++)
    if (pAt(from + i * step) >= level) return Math.exp(from + Math.max(0, i - 1) * step);
  return null;
}

/** Each is 5 % of ρ or less, which is 3 % of a spread. */
const SHARE_STEPS = 200;

/** In the logarithm of ρ. */
const SHARE_TOLERANCE = 1e-4;

/** ρ by restricted maximum likelihood, and the degrees of freedom of a t that goes by it. */
function rideShareOf(blocks: readonly Block[], isOrderKnown: boolean, residualDf: number) {
  const least = { rho: LEAST_RIDE_SHARE, df: residualDf };
  const betweenDf = blocks.filter(({ y }) => y.length > 0).length - (isOrderKnown ? 3 : 2);
  if (betweenDf < 1) return least;
  const unlikely = (logRho: number) => {
    const rho = Math.exp(logRho);
    const at = fit(blocks, isOrderKnown, { A: 1, B: 1 }, rho);
    if (!at || !(at.squares > 0)) return Infinity;
    const logDetV = blocks.reduce((sum, { y }) => sum + Math.log1p(rho * y.length), 0);
    return residualDf * Math.log(at.squares) + logDetV + at.logDet;
  };
  const [from, to] = [Math.log(LEAST_RIDE_SHARE), Math.log(MOST_RIDE_SHARE)];
  // Going up must be better by more than rounding: laps that are one a ride say nothing of ρ at all.
  const atLeast = unlikely(from);
  if (!(unlikely(from + FIRST_STEP) < atLeast - 1e-9)) return least;
  return { rho: Math.exp(goldenLeast(unlikely, from, to)), df: betweenDf };
}

const FIRST_STEP = 0.01;
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** Where a function with one valley is least. */
function goldenLeast(f: (x: number) => number, from: number, to: number): number {
  let [low, high] = [from, to];
  let [left, right] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
  let [atLeft, atRight] = [f(left), f(right)];
  while (high - low > SHARE_TOLERANCE) {
    if (atLeft <= atRight) {
      [high, right, atRight] = [right, left, atLeft];
      left = high - GOLDEN * (high - low);
      atLeft = f(left);
    } else {
      [low, left, atLeft] = [left, right, atRight];
      right = low + GOLDEN * (high - low);
      atRight = f(right);
    }
  }
  return (low + high) / 2;
}

const notEnough = (why: NotEnough): Fitted => ({ fit: null, why });

/** Each ride's laps that tell, with their place between the first and the last lap that counts. */
interface Block {
  side: 'A' | 'B';
  y: number[];
  taus: number[];
}

function lapsInOrder(rides: readonly RideValues[]): Block[] {
  const n = rides.reduce((sum, { values }) => sum + values.length, 0);
  let rank = 0;
  return rides.map(({ side, values }) => {
    const told = values.map((value) => ({ value, tau: rank++ / (n - 1) - 0.5 }));
    const laps = told.filter((lap): lap is { value: number; tau: number } => lap.value !== null);
    return { side, y: laps.map(({ value }) => value), taus: laps.map(({ tau }) => tau) };
  });
}

function lapsOf(blocks: readonly Block[]) {
  const laps = (side: 'A' | 'B') => blocks.reduce((n, r) => n + (r.side === side ? r.y.length : 0), 0);
  return { nA: laps('A'), nB: laps('B') };
}

const largestOf = (blocks: readonly Block[]) => Math.max(...blocks.flatMap(({ y }) => y.map(Math.abs)));

function perSideOf(
  blocks: readonly Block[],
  isOrderKnown: boolean,
  { spread }: Fit,
  { nA, nB }: { nA: number; nB: number },
  { rho, df, largest }: { rho: number; df: number; largest: number },
): Effect | null {
  const [less, more] = [Math.min(spread.A, spread.B), Math.max(spread.A, spread.B)];
  const isEven = Math.max(nA, nB) <= UNEVEN_LAPS * Math.min(nA, nB);
  if (more <= ROUNDING * largest || (isEven && more <= UNEVEN_SPREAD * less)) return null;
  const floor = 1e-6 * more;
  const variance = { A: Math.max(spread.A, floor) ** 2, B: Math.max(spread.B, floor) ** 2 };
  const own = fit(blocks, isOrderKnown, variance, rho);
  // Few laps do not show how wild they are: the smaller side's freedom is all there is.
  const ownDf = Math.min(df, Math.min(nA, nB) - 1);
  return own && effectOf(own.beta, Math.sqrt(own.varianceOfDelta), ownDf, largest);
}

function effectOf(beta: number[], error: number, df: number, largest: number): Effect {
  const tiny = ROUNDING * largest;
  const isNothing = Math.abs(beta[1]!) <= tiny && error <= tiny;
  const difference = isNothing ? 0 : beta[1]!;
  const p = isNothing ? 1 : error === 0 ? 0 : 2 * (1 - studentCdf(Math.abs(difference) / error, df));
  const reach = studentQuantile((1 + LEVEL) / 2, df) * error;
  return {
    difference,
    se: error,
    df,
    p,
    interval: [difference - reach, difference + reach],
    largestLeft: Math.abs(difference) + studentQuantile(LEVEL, df) * error,
    smallestShown: (studentQuantile((1 + LEVEL) / 2, df) + studentQuantile(POWER, df)) * error,
    drift: beta.length > 2 ? beta[2]! : null,
  };
}

interface Fit {
  beta: number[];
  /** rᵀV⁻¹r. */
  squares: number;
  /** Of δ, in units of the variance that the weights leave open. */
  varianceOfDelta: number;
  /** log |XᵀV⁻¹X|. */
  logDet: number;
  /** Root mean square of the residuals of each side. */
  spread: Record<'A' | 'B', number>;
}

function fit(
  laps: readonly Block[],
  hasTrend: boolean,
  variance: Record<'A' | 'B', number>,
  rho: number,
): Fit | null {
  const blocks = laps.map(({ side, y, taus }) => ({
    side,
    y,
    rows: [y.map(() => 1), y.map(() => (side === 'B' ? 1 : 0)), ...(hasTrend ? [taus] : [])],
  }));
  // Per ride of m laps V⁻¹ = (I − ρ/(1 + ρm)·11ᵀ)/σ².
  const product = (side: 'A' | 'B', x: number[], y: number[]) => {
    const sum = (v: number[]) => v.reduce((a, b) => a + b, 0);
    const inner = x.reduce((a, v, i) => a + v * y[i]!, 0);
    return (inner - (rho / (1 + rho * x.length)) * sum(x) * sum(y)) / variance[side];
  };
  const p = hasTrend ? 3 : 2;
  const over = (f: (block: (typeof blocks)[number]) => number) => blocks.reduce((a, b) => a + f(b), 0);
  const indices = Array.from({ length: p }, (_, i) => i);
  const inverted = invert(
    indices.map((i) => indices.map((j) => over(({ side, rows }) => product(side, rows[i]!, rows[j]!)))),
  );
  if (!inverted) return null;
  const { inverse, logDet } = inverted;
  const right = indices.map((i) => over(({ side, rows, y }) => product(side, rows[i]!, y)));
  const beta = inverse.map((row) => row.reduce((a, v, j) => a + v * right[j]!, 0));
  const residuals = blocks.map(({ side, y, rows }) => ({
    side,
    r: y.map((v, k) => v - indices.reduce((a, i) => a + beta[i]! * rows[i]![k]!, 0)),
  }));
  const spreadOf = (of: 'A' | 'B') => {
    const all = residuals.flatMap(({ side, r }) => (side === of ? r : []));
    return Math.sqrt(all.reduce((a, v) => a + v * v, 0) / (all.length - 1));
  };
  return {
    beta,
    squares: residuals.reduce((a, { side, r }) => a + product(side, r, r), 0),
    varianceOfDelta: inverse[1]![1]!,
    logDet,
    spread: { A: spreadOf('A'), B: spreadOf('B') },
  };
}

/** Gauss–Jordan with pivots; `null` where the columns say the same. */
function invert(matrix: number[][]): { inverse: number[][]; logDet: number } | null {
  const p = matrix.length;
  let logDet = 0;
  const work = matrix.map((row, i) => [...row, ...row.map((_, j) => (i === j ? 1 : 0))]);
  const size = Math.max(...matrix.map((row, i) => Math.abs(row[i]!)));
  for (let k = 0; k < p; k++) {
    const pivot = work
      .slice(k)
      .reduce((best, row, i) => (Math.abs(row[k]!) > Math.abs(work[best]![k]!) ? k + i : best), k);
    [work[k], work[pivot]] = [work[pivot]!, work[k]!];
    const head = work[k]![k]!;
    if (!(Math.abs(head) > 1e-12 * size)) return null;
    logDet += Math.log(Math.abs(head));
    work[k] = work[k]!.map((v) => v / head);
    for (let i = 0; i < p; i++) {
      if (i === k) continue;
      const factor = work[i]![k]!;
      work[i] = work[i]!.map((v, j) => v - factor * work[k]![j]!);
    }
  }
  return { inverse: work.map((row) => row.slice(p)), logDet };
}
