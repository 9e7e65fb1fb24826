import { studentQuantile } from '../numeric/distributions';
import { solveSymmetric } from '../numeric/solveSymmetric';
import type { Spin, Swing } from './swings';

/** What acts on a rim that runs freely, each over its inertia: θ¨ = −φ·sgn θ˙ − β·θ˙ − γ_s·sin θ − γ_c·cos θ − k·θ. */
export const FREE_TERMS = ['friction', 'damping', 'sin', 'cos', 'spring'] as const;
export type FreeTerm = (typeof FREE_TERMS)[number];

/** A figure with its 95 % interval. */
export interface Estimate {
  value: number;
  low: number;
  high: number;
}

export interface FreeFit {
  /** Best estimates, rad/s² (friction, sin, cos), 1/s (damping) and 1/s² (spring; 0 where it was left out). */
  terms: Record<FreeTerm, number>;
  /** The same without one spin after the other: what their spread says is what another evening would give. */
  without: Record<FreeTerm, number>[];
}

/** Fewer spins give no spread. */
export const FEWEST_SPINS = 3;

interface Normal {
  a: Float64Array;
  b: Float64Array;
}

/** What is looked for beside friction, damping and imbalance. */
interface Model {
  /** A spring; without it k is 0. */
  spring: boolean;
  /** A friction of its own for every spin, their mean being the figure: for spins that turn back and so tell it by themselves. */
  ownFriction: boolean;
}

/**
 * Fits all spins together. Twice integrated, the equation of motion is linear in its unknowns and needs no derivative of what
 * was read: θ = θ₀ + ω₀t − φ·s·t²/2 − β·∫θ − γ_s·∬sin θ − γ_c·∬cos θ − k·∬θ; start and speed of every swing are free and
 * projected out. Cost: the samples times 25.
 * @returns `null` with fewer than three spins that hold anything, or where they cannot tell the terms apart
 * @source Ljung, System Identification, ch. 4 and 7 (regression on integrated signals); Efron 1982 (delete-one jackknife)
 */
export function fitSwings(spins: readonly Spin[], { spring, ownFriction }: Model): FreeFit | null {
  const n = spring ? FREE_TERMS.length : FREE_TERMS.length - 1;
  const parts = spins.filter((spin) => spin.length > 0).map((spin) => normalOf(spin, n));
  if (parts.length < FEWEST_SPINS) return null;
  const solve = (some: readonly Normal[]) => {
    if (!ownFriction) return solved(sumOf(some, n));
    const rest = solved(sumOf(some.map(withoutFriction), n - 1));
    if (!rest) return null;
    const each = some.map((one) => frictionOf(one, rest));
    return Float64Array.from([each.reduce((sum, value) => sum + value, 0) / each.length, ...rest]);
  };
  const whole = solve(parts);
  const without = parts.map((_, i) => solve(parts.toSpliced(i, 1)));
  if (whole === null || without.some((one) => one === null)) return null;
  return { terms: named(whole), without: without.map((one) => named(one!)) };
}

const solved = ({ a, b }: Normal) => solveSymmetric(a, b);

/** What is left of a spin's equations when its own friction may be anything (Schur complement of the first unknown). */
function withoutFriction({ a, b }: Normal): Normal {
  const n = b.length;
  const keep = (i: number, j: number) => a[i * n + j]! - (a[i * n]! * a[j]!) / a[0]!;
  const m = n - 1;
  return {
    a: Float64Array.from({ length: m * m }, (_, k) => keep(1 + Math.floor(k / m), 1 + (k % m))),
    b: Float64Array.from({ length: m }, (_, i) => b[i + 1]! - (a[(i + 1) * n]! * b[0]!) / a[0]!),
  };
}

/** A spin's friction where everything else is known. */
const frictionOf = ({ a, b }: Normal, rest: Float64Array): number =>
  (b[0]! - rest.reduce((sum, value, i) => sum + a[i + 1]! * value, 0)) / a[0]!;

const named = (x: ArrayLike<number>): Record<FreeTerm, number> =>
  Object.fromEntries(FREE_TERMS.map((term, i) => [term, x[i] ?? 0])) as Record<FreeTerm, number>;

/**
 * A figure of a fit with its 95 % interval, from the spread of the fits that lack one spin (Student's t, spins − 1).
 * @param of the figure as a function of the fitted terms
 */
export function estimate(
  { terms, without }: FreeFit,
  of: (terms: Record<FreeTerm, number>) => number,
): Estimate {
  const value = of(terms);
  const half = jackknifeHalf(without.map(of));
  return { value, low: value - half, high: value + half };
}

/** Half of the 95 % interval from delete-one values. */
function jackknifeHalf(values: readonly number[]): number {
  const n = values.length;
  const mean = values.reduce((sum, value) => sum + value, 0) / n;
  const square = values.reduce((sum, value) => sum + (value - mean) ** 2, 0);
  return studentQuantile(0.975, n - 1) * Math.sqrt(((n - 1) / n) * square);
}

function sumOf(parts: readonly Normal[], n: number): Normal {
  const sum: Normal = { a: new Float64Array(n * n), b: new Float64Array(n) };
  for (const { a, b } of parts) {
    a.forEach((value, i) => (sum.a[i]! += value));
    b.forEach((value, i) => (sum.b[i]! += value));
  }
  return sum;
}

/** What one spin adds to the normal equations. */
function normalOf(spin: Spin, n: number): Normal {
  return sumOf(
    spin.map((swing) => {
      const columns = regressorsOf(swing).slice(0, n);
      const project = freeStart(swing.t);
      columns.forEach(project);
      const angle = swing.angle.slice();
      project(angle);
      const a = new Float64Array(n * n);
      for (let i = 0; i < n; i++)
        for (let j = 0; j <= i; j++) a[i * n + j] = a[j * n + i] = dot(columns[i]!, columns[j]!);
      return { a, b: Float64Array.from(columns, (column) => dot(column, angle)) };
    }),
    n,
  );
}

function regressorsOf({ t, angle, way }: Swing): Float64Array[] {
  const once = (of: (i: number) => number) => integral(t, of);
  const twice = (of: (i: number) => number) => {
    const first = once(of);
    return integral(t, (i) => first[i]!);
  };
  return [
    t.map((at) => (-way * at * at) / 2),
    once((i) => -angle[i]!),
    twice((i) => -Math.sin(angle[i]!)),
    twice((i) => -Math.cos(angle[i]!)),
    twice((i) => -angle[i]!),
  ];
}

/** Running integral from the first sample, by trapezoids. */
function integral(t: Float64Array, of: (i: number) => number): Float64Array {
  const out = new Float64Array(t.length);
  let before = of(0);
  for (let i = 1; i < t.length; i++) {
    const now = of(i);
    out[i] = out[i - 1]! + ((t[i]! - t[i - 1]!) * (before + now)) / 2;
    before = now;
  }
  return out;
}

/** Takes out of a column whatever a constant and a line can explain: where a swing began and how fast it went. */
function freeStart(t: Float64Array): (column: Float64Array) => void {
  const middle = t.reduce((sum, at) => sum + at, 0) / t.length;
  const square = t.reduce((sum, at) => sum + (at - middle) ** 2, 0);
  return (column) => {
    let [mean, slope] = [0, 0];
    for (let i = 0; i < t.length; i++) {
      mean += column[i]! / t.length;
      slope += ((t[i]! - middle) * column[i]!) / square;
    }
    for (let i = 0; i < t.length; i++) column[i]! -= mean + slope * (t[i]! - middle);
  };
}

function dot(x: Float64Array, y: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < x.length; i++) sum += x[i]! * y[i]!;
  return sum;
}
