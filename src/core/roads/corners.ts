import { studentQuantile } from '../numeric/distributions';
import { mean, standardDeviation } from '../numeric/moments';
import type { RoadCorner } from '../vehicle/track';

/** A bend that is wider than this, or turns by less, is no corner. */
const WIDEST_M = 500;
const LEAST_DEG = 8;
/** Two corners of one direction are two where the road opens between them to less than this share of the wider one. */
const DIP = 0.5;
/** The tightest part of a corner: all around its greatest curvature that has this share of it. */
const TIGHT = 0.85;
/** Where a line lies on the road changes a corner's radius by no less, as a standard deviation. */
const LINE_SIGMA = 0.01;

/**
 * The corners of a course, in the order in which they come.
 * @param curvature of the course, 1/m @param laps the same of each lap, from which the radii's spread is taken
 * @param scaleSigma relative, of what all curvatures have in common; 0 where they have nothing
 */
export function cornersOf(
  curvature: Float64Array,
  laps: readonly Float64Array[],
  stepM: number,
  scaleSigma: number,
): RoadCorner[] {
  return bends(curvature).flatMap(([from, to]): RoadCorner[] => {
    const size = (i: number) => Math.abs(curvature[i]!);
    let turn = 0;
    let tightest = from;
    for (let i = from; i < to; i++) {
      turn += curvature[i]! * stepM;
      if (size(i) > size(tightest)) tightest = i;
    }
    const angleDeg = (turn * 180) / Math.PI;
    if (Math.abs(angleDeg) < LEAST_DEG) return [];
    let [low, high] = [tightest, tightest + 1];
    while (low > from && size(low - 1) >= TIGHT * size(tightest)) low--;
    while (high < to && size(high) >= TIGHT * size(tightest)) high++;
    const radius = (of: Float64Array) => 1 / Math.abs(mean(of.subarray(low, high)));
    const radiusM = radius(curvature);
    return [
      {
        atM: tightest * stepM,
        radiusM,
        plusMinusM: halfWidth(radiusM, laps.map(radius), scaleSigma),
        angleDeg,
      },
    ];
  });
}

/** Half a 95 % interval of a radius, from the spread over laps; one lap has none. */
function halfWidth(radiusM: number, laps: number[], scaleSigma: number): number | null {
  const n = laps.length;
  if (n < 2) return null;
  const ofLaps = standardDeviation(laps) / Math.sqrt(n);
  const ofAll = radiusM * Math.hypot(scaleSigma, LINE_SIGMA);
  return Math.hypot(studentQuantile(0.975, n - 1) * ofLaps, studentQuantile(0.975, 1e6) * ofAll);
}

/** Stretches that bend one way, parted where the road opens in between. */
function bends(curvature: Float64Array): [number, number][] {
  const all: [number, number][] = [];
  let from = -1;
  const side = (i: number) => (Math.abs(curvature[i]!) < 1 / WIDEST_M ? 0 : Math.sign(curvature[i]!));
  for (let i = 0; i <= curvature.length; i++) {
    const now = i < curvature.length ? side(i) : 0;
    if (from >= 0 && now !== side(from)) {
      all.push(...parted(curvature, from, i));
      from = -1;
    }
    if (from < 0 && now !== 0) from = i;
  }
  return all;
}

function parted(curvature: Float64Array, from: number, to: number): [number, number][] {
  const size = (i: number) => Math.abs(curvature[i]!);
  const before = new Float64Array(to - from);
  const after = new Float64Array(to - from);
  for (let i = from, most = 0; i < to; i++) before[i - from] = most = Math.max(most, size(i));
  for (let i = to - 1, most = 0; i >= from; i--) after[i - from] = most = Math.max(most, size(i));
  let deepest = -1;
  for (let i = from; i < to; i++) {
    const wider = Math.min(before[i - from]!, after[i - from]!);
    if (size(i) < DIP * wider && (deepest < 0 || size(i) < size(deepest))) deepest = i;
  }
  if (deepest < 0) return [[from, to]];
  return [...parted(curvature, from, deepest), ...parted(curvature, deepest, to)];
}
