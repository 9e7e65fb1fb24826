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
  /**
   * The same with one variance a side, where the laps a side and their spreads are so unlike that pooling them errs;
   * `null` where they are not. A claim then needs both.
   */
  perSide: Effect | null;
}

export type Fitted = { fit: RideFit; why: null } | { fit: null; why: NotEnough };

/** Variance between rides over variance between laps. Held fixed: a handful of rides cannot tell it. */
export const RIDE_SHARE = 0.25;
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
 * y = μ + δ·B + λ·τ + u_ride + e, by generalised least squares with V = σ²(I + ρZZᵀ), ρ = 0.25, and t with N − p degrees of
 * freedom. τ runs from −½ to ½ over the laps in order of driving, so that a session's trend is not counted to B; a lap that
 * cannot tell the measure keeps its place.
 * Errs (20,000 runs each): 5 % with rides as alike as ρ says; 10 to 16 % for one ride a side whose rides differ as much as
 * their laps, so one ride a side never speaks of the setting.
 * @param rides in order of driving, where `isOrderKnown`; values in any unit
 * @returns the fit, or why there is none: where N − p is under 2, or a side has under 2 laps
 * @example A 90.42 90.18, B 89.86 89.74, B 89.55 89.61, A 89.83 89.66 → δ −0.3325, se 0.0629, df 5, p 0.0032
 */
export function fitRides(rides: readonly RideValues[], isOrderKnown: boolean): Fitted {
  const blocks = lapsInOrder(rides);
  const laps = (side: 'A' | 'B') => blocks.reduce((n, r) => n + (r.side === side ? r.y.length : 0), 0);
  const [nA, nB] = [laps('A'), laps('B')];
  const df = nA + nB - (isOrderKnown ? 3 : 2);
  if (nA === 0) return notEnough('no laps of A');
  if (nB === 0) return notEnough('no laps of B');
  if (nA < 2 || nB < 2) return notEnough('two laps a side');
  if (df < 2) return notEnough('more laps');
  const pooled = fit(blocks, isOrderKnown, { A: 1, B: 1 });
  if (!pooled) return notEnough('no order');
  const largest = Math.max(...blocks.flatMap(({ y }) => y.map(Math.abs)));
  const effect = effectOf(
    pooled.beta,
    Math.sqrt((pooled.squares / df) * pooled.varianceOfDelta),
    df,
    largest,
  );
  const perSide = perSideOf(blocks, isOrderKnown, pooled, { nA, nB }, largest);
  return { fit: { ...effect, perSide }, why: null };
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

function perSideOf(
  blocks: readonly Block[],
  isOrderKnown: boolean,
  { spread }: Fit,
  { nA, nB }: { nA: number; nB: number },
  largest: number,
): Effect | null {
  const [less, more] = [Math.min(spread.A, spread.B), Math.max(spread.A, spread.B)];
  const isEven = Math.max(nA, nB) <= UNEVEN_LAPS * Math.min(nA, nB);
  if (more <= ROUNDING * largest || (isEven && more <= UNEVEN_SPREAD * less)) return null;
  const floor = 1e-6 * more;
  const own = fit(blocks, isOrderKnown, {
    A: Math.max(spread.A, floor) ** 2,
    B: Math.max(spread.B, floor) ** 2,
  });
  // Few laps do not show how wild they are: the smaller side's freedom is all there is.
  return own && effectOf(own.beta, Math.sqrt(own.varianceOfDelta), Math.min(nA, nB) - 1, largest);
}

function effectOf(beta: number[], error: number, df: number, largest: number): Effect {
  const difference = beta[1]!;
  const tiny = ROUNDING * largest;
  const isNothing = Math.abs(difference) <= tiny && error <= tiny;
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
  /** Root mean square of the residuals of each side. */
  spread: Record<'A' | 'B', number>;
}

function fit(laps: readonly Block[], hasTrend: boolean, variance: Record<'A' | 'B', number>): Fit | null {
  const blocks = laps.map(({ side, y, taus }) => ({
    side,
    y,
    rows: [y.map(() => 1), y.map(() => (side === 'B' ? 1 : 0)), ...(hasTrend ? [taus] : [])],
  }));
  // Per ride of m laps V⁻¹ = (I − ρ/(1 + ρm)·11ᵀ)/σ².
  const product = (side: 'A' | 'B', x: number[], y: number[]) => {
    const sum = (v: number[]) => v.reduce((a, b) => a + b, 0);
    const inner = x.reduce((a, v, i) => a + v * y[i]!, 0);
    return (inner - (RIDE_SHARE / (1 + RIDE_SHARE * x.length)) * sum(x) * sum(y)) / variance[side];
  };
  const p = hasTrend ? 3 : 2;
  const over = (f: (block: (typeof blocks)[number]) => number) => blocks.reduce((a, b) => a + f(b), 0);
  const indices = Array.from({ length: p }, (_, i) => i);
  const inverse = invert(
    indices.map((i) => indices.map((j) => over(({ side, rows }) => product(side, rows[i]!, rows[j]!)))),
  );
  if (!inverse) return null;
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
    spread: { A: spreadOf('A'), B: spreadOf('B') },
  };
}

/** Gauss–Jordan with pivots; `null` where the columns say the same. */
function invert(matrix: number[][]): number[][] | null {
  const p = matrix.length;
  const work = matrix.map((row, i) => [...row, ...row.map((_, j) => (i === j ? 1 : 0))]);
  const size = Math.max(...matrix.map((row, i) => Math.abs(row[i]!)));
  for (let k = 0; k < p; k++) {
    const pivot = work
      .slice(k)
      .reduce((best, row, i) => (Math.abs(row[k]!) > Math.abs(work[best]![k]!) ? k + i : best), k);
    [work[k], work[pivot]] = [work[pivot]!, work[k]!];
    const head = work[k]![k]!;
    if (!(Math.abs(head) > 1e-12 * size)) return null;
    work[k] = work[k]!.map((v) => v / head);
    for (let i = 0; i < p; i++) {
      if (i === k) continue;
      const factor = work[i]![k]!;
      work[i] = work[i]!.map((v, j) => v - factor * work[k]![j]!);
    }
  }
  return work.map((row) => row.slice(p));
}
