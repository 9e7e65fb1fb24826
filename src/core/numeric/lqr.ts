/** A matrix by its rows. */
export type Matrix = number[][];

const SETTLED = 1e-10;

/**
 * Gain K of the linear-quadratic regulator u = −K·x for x' = A·x + B·u, the cost being Σ xᵀQx + uᵀRu with diagonal Q and R.
 * The Riccati recursion is run in Joseph form, P = Q + KᵀRK + (A − BK)ᵀP(A − BK): it stays symmetric and positive, where the
 * plain one, P = Q + AᵀP(A − BK), loses both to rounding on an unstable A.
 * @param a n×n, @param b n×m, @param q n weights, @param r m weights, over 0
 * @param mostSteps of the recursion; it ends before where nothing changes any more
 * @returns m×n
 * @source Lewis, Vrabie and Syrmos, Optimal Control, 2.2 and 5.3
 */
export function lqr(
  a: Matrix,
  b: Matrix,
  q: readonly number[],
  r: readonly number[],
  mostSteps = 4000,
): Matrix {
  let p = diagonal(q);
  let gain: Matrix = [];
  for (let step = 0; step < mostSteps; step++) {
    const pb = times(p, b);
    const inner = plus(diagonal(r), times(transposed(b), pb));
    gain = solved(inner, times(transposed(pb), a));
    const closed = minus(a, times(b, gain));
    const weighted = gain.map((row, i) => row.map((value) => value * r[i]!));
    const next = plus(
      diagonal(q),
      plus(times(transposed(gain), weighted), times(transposed(closed), times(p, closed))),
    );
    const change = greatest(minus(next, p)) / greatest(next);
    p = next;
    if (change < SETTLED) break;
  }
  return gain;
}

/** e^(A·h) and ∫e^(A·s)ds·B over a step h: what x' = A·x + B·u makes of x and of a u that is held. */
export function discretised(a: Matrix, b: Matrix, h: number): { a: Matrix; b: Matrix } {
  const n = a.length;
  let term = diagonal(a.map(() => 1));
  let power = term;
  let integral = scaled(term, h);
  for (let k = 1; k <= TERMS; k++) {
    term = scaled(times(term, a), h / k);
    power = plus(power, term);
    integral = plus(integral, scaled(term, h / (k + 1)));
  }
  return { a: power.slice(0, n), b: times(integral, b) };
}

/** Of the exponential's series; steps are short against everything that moves. */
const TERMS = 24;

export const transposed = (m: Matrix): Matrix => m[0]!.map((_, j) => m.map((row) => row[j]!));

export function times(a: Matrix, b: Matrix): Matrix {
  return a.map((row) => b[0]!.map((_, j) => row.reduce((sum, value, k) => sum + value * b[k]![j]!, 0)));
}

const diagonal = (values: readonly number[]): Matrix =>
  values.map((value, i) => values.map((_, j) => (i === j ? value : 0)));
const plus = (a: Matrix, b: Matrix): Matrix => a.map((row, i) => row.map((value, j) => value + b[i]![j]!));
const minus = (a: Matrix, b: Matrix): Matrix => a.map((row, i) => row.map((value, j) => value - b[i]![j]!));
const scaled = (a: Matrix, by: number): Matrix => a.map((row) => row.map((value) => value * by));
const greatest = (a: Matrix): number => Math.max(...a.flat().map(Math.abs));

/** A⁻¹·B for an A of a few rows, by elimination with pivots. */
function solved(a: Matrix, b: Matrix): Matrix {
  const rows = a.map((row, i) => [...row, ...b[i]!]);
  const n = rows.length;
  for (let k = 0; k < n; k++) {
    let pivot = k;
    for (let i = k + 1; i < n; i++) if (Math.abs(rows[i]![k]!) > Math.abs(rows[pivot]![k]!)) pivot = i;
    [rows[k], rows[pivot]] = [rows[pivot]!, rows[k]!];
    const lead = rows[k]!.map((value) => value / rows[k]![k]!);
    rows[k] = lead;
    for (let i = 0; i < n; i++)
      if (i !== k) rows[i] = rows[i]!.map((value, j) => value - rows[i]![k]! * lead[j]!);
  }
  return rows.map((row) => row.slice(n));
}
