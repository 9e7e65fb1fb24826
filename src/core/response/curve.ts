/** The shape between dead zone and saturation: f rises from f(0) = 0 to f(1) = 1. */
export type Curve =
  | { kind: 'power'; gamma: number }
  | { kind: 'blend'; k: number }
  | { kind: 'points'; points: [number, number][] };

export const LINEAR: Curve = { kind: 'power', gamma: 1 };

export const GAMMA_RANGE = [0.2, 5] as const;
export const BLEND_RANGE = [-0.5, 1] as const;
/** Points of a curve lie at least this far apart: a step between two that are one has no slope. */
export const LEAST_GAP = 1e-4;

/**
 * How a function leaves a point on one side: y − y₀ ≈ coefficient·ξ^exponent. Composing two of these stays
 * exact where plain slopes would multiply zero by infinity.
 */
export interface LocalPower {
  coefficient: number;
  exponent: number;
}

/** Closer to a straight line than any menu writes. */
const STRAIGHT = 1e-9;

/** Whether a curve changes nothing, whichever kind it is written as. */
export function isLinear(curve: Curve): boolean {
  if (curve.kind === 'power') return Math.abs(curve.gamma - 1) < STRAIGHT;
  if (curve.kind === 'blend') return Math.abs(curve.k) < STRAIGHT;
  return curve.points.every(([x, y]) => Math.abs(x - y) < STRAIGHT);
}

/** u and f(u) in 0…1. */
export function curveValue(curve: Curve, u: number): number {
  if (u <= 0) return 0;
  if (u >= 1) return 1;
  switch (curve.kind) {
    case 'power':
      return u ** curve.gamma;
    case 'blend':
      return (1 - curve.k) * u + curve.k * u ** 3;
    case 'points':
      return hermite(curve.points, u).value;
  }
}

/** Behaviour of the curve just above (`side` 1) or below (−1) the point u. */
export function curveLocal(curve: Curve, u: number, side: 1 | -1): LocalPower {
  switch (curve.kind) {
    case 'power':
      if (u === 0) return { coefficient: 1, exponent: curve.gamma };
      return { coefficient: curve.gamma * u ** (curve.gamma - 1), exponent: 1 };
    case 'blend': {
      const slope = 1 - curve.k + 3 * curve.k * u * u;
      return slope > 0 || u > 0 ? { coefficient: slope, exponent: 1 } : { coefficient: curve.k, exponent: 3 };
    }
    case 'points': {
      const { slope, bend } = hermite(curve.points, u, side);
      if (slope !== 0 || bend === 0) return { coefficient: slope, exponent: 1 };
      return { coefficient: Math.abs(bend) / 2, exponent: 2 };
    }
  }
}

/** The last u at which f is still ≤ v (`upper`), or the first at which it is ≥ v (`lower`). */
export function curveInverse(curve: Curve, v: number, edge: 'upper' | 'lower'): number {
  if (curve.kind === 'power') return v <= 0 ? 0 : v >= 1 ? 1 : v ** (1 / curve.gamma);
  if (curve.kind === 'blend' && v <= 0) return 0;
  if (curve.kind === 'blend' && v >= 1) return 1;
  if (curve.kind === 'points') {
    const knot = knotAt(curve.points, v, edge);
    if (knot !== null) return knot;
  }
  let low = 0;
  let high = 1;
  while (true) {
    const middle = (low + high) / 2;
    if (middle <= low || middle >= high) return edge === 'upper' ? low : high;
    const y = curveValue(curve, middle);
    if (edge === 'upper' ? y <= v : y < v) low = middle;
    else high = middle;
  }
}

/** A level that knots sit on exactly is answered by the knot, free of rounding. */
function knotAt(points: [number, number][], v: number, edge: 'upper' | 'lower'): number | null {
  const at = points.filter(([, y]) => y === v).map(([x]) => x);
  if (at.length === 0) return null;
  return edge === 'upper' ? Math.max(...at) : Math.min(...at);
}

/**
 * Monotone cubic through the points (Fritsch & Carlson 1980), tangents starting from the mean of the adjacent
 * secants, one-sided at the ends.
 */
function hermite(points: [number, number][], u: number, side: 1 | -1 = 1) {
  const tangents = monotoneTangents(points);
  let k = 0;
  while (k < points.length - 2 && (side === 1 ? points[k + 1]![0] <= u : points[k + 1]![0] < u)) k++;
  const [x0, y0] = points[k]!;
  const [x1, y1] = points[k + 1]!;
  const h = x1 - x0;
  const s = (u - x0) / h;
  const m0 = tangents[k]! * h;
  const m1 = tangents[k + 1]! * h;
  const c2 = 3 * (y1 - y0) - 2 * m0 - m1;
  const c3 = 2 * (y0 - y1) + m0 + m1;
  return {
    value: Math.min(1, Math.max(0, y0 + s * (m0 + s * (c2 + s * c3)))),
    slope: Math.max(0, (m0 + s * (2 * c2 + 3 * s * c3)) / h),
    bend: (2 * c2 + 6 * s * c3) / (h * h),
  };
}

const tangentMemo = new WeakMap<object, number[]>();

function monotoneTangents(points: [number, number][]): number[] {
  const known = tangentMemo.get(points);
  if (known) return known;
  const secants = points.slice(1).map(([x, y], i) => (y - points[i]![1]) / (x - points[i]![0]));
  const m = points.map((_, i) =>
    i === 0 ? secants[0]! : i === secants.length ? secants.at(-1)! : (secants[i - 1]! + secants[i]!) / 2,
  );
  secants.forEach((secant, i) => {
    if (secant === 0) {
      m[i] = 0;
      m[i + 1] = 0;
      return;
    }
    const reach = Math.hypot(m[i]! / secant, m[i + 1]! / secant);
    if (reach > 3) {
      m[i] = (3 / reach) * m[i]!;
      m[i + 1] = (3 / reach) * m[i + 1]!;
    }
  });
  tangentMemo.set(points, m);
  return m;
}
