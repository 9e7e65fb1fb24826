import type { RoadCourse } from '../vehicle/track';

/** Between two knots a curvature may be off by so much, 1/m: a straight of 100 m swings by 2°. */
const FLOOR = 0.0004;
const SHARE = 0.03;
/** More knots than these tell of hands, not of a road. */
const MOST_KNOTS = 600;
/** A knot is known to the centimetre: more digits would only make pages heavier. */
const PLACE_M = 0.01;

/**
 * As few knots as keep the curvature within its tolerance (Douglas and Peucker, along the distance). The ends are kept.
 * @param curvature of cells of `stepM`, 1/m
 */
export function courseKnots(curvature: Float64Array, stepM: number, closed: boolean): RoadCourse['knots'] {
  const n = curvature.length;
  // Knots lie between cells; a closed course ends as it began.
  const at = Float64Array.from({ length: n + 1 }, (_, i) => {
    const before = i > 0 ? curvature[i - 1]! : closed ? curvature[n - 1]! : curvature[0]!;
    const after = i < n ? curvature[i]! : closed ? curvature[0]! : curvature[n - 1]!;
    return (before + after) / 2;
  });
  for (let tolerance = 1; ; tolerance *= 1.5) {
    const kept = thinned(at, tolerance);
    if (kept.length <= MOST_KNOTS)
      return kept.map((i) => [Math.round((i * stepM) / PLACE_M) * PLACE_M, at[i]!]);
  }
}

function thinned(at: Float64Array, tolerance: number): number[] {
  const kept = new Set([0, at.length - 1]);
  const open: [number, number][] = [[0, at.length - 1]];
  for (let next = open.pop(); next; next = open.pop()) {
    const [from, to] = next;
    let [worst, off] = [-1, 1];
    for (let i = from + 1; i < to; i++) {
      const line = at[from]! + ((at[to]! - at[from]!) * (i - from)) / (to - from);
      const now = Math.abs(at[i]! - line) / (tolerance * (FLOOR + SHARE * Math.abs(at[i]!)));
      if (now > off) [worst, off] = [i, now];
    }
    if (worst < 0) continue;
    kept.add(worst);
    open.push([from, worst], [worst, to]);
  }
  return [...kept].sort((a, b) => a - b);
}
