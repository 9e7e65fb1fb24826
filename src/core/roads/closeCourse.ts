import type { RoadCourse } from '../vehicle/track';
import { solveSymmetric } from '../numeric/solveSymmetric';
import { courseEnd } from './courseEnd';

type Knots = RoadCourse['knots'];

/** Steps in which a course is followed between its knots, m. */
const FOLLOW_M = 0.1;
const NEAR_M = 0.005;
const NEAR_RAD = 1e-6;
const ROUNDS = 30;

/** How much a curvature may be off, 1/m: a little everywhere, more where the road turns hard. */
const FLOOR = 0.0004;
const SHARE = 0.03;

/**
 * The least correction that lets a course end where it began, heading as it began: each knot gives way by its own
 * uncertainty and by the road that it governs (least squares under three conditions, repeated until they hold).
 * @param knots distance m and curvature 1/m @param turns circles that it turns through, left positive
 * @returns knots that close; where they can't, as near as it came
 */
export function closeCourse(knots: Knots, turns: number): Knots {
  const lengthM = knots.at(-1)![0];
  const cells = Math.max(1, Math.round(lengthM / FOLLOW_M));
  const stepM = lengthM / cells;
  const give = knots.map(([at, k], i) => {
    const reach = (knots[i + 1]?.[0] ?? at) - (knots[i - 1]?.[0] ?? at);
    return (FLOOR ** 2 + (SHARE * k) ** 2) * reach;
  });
  let now = knots;
  for (let round = 0; round < ROUNDS; round++) {
    const end = courseEnd(cellsOf(now, cells), stepM);
    const off = [2 * Math.PI * turns - end.heading, -end.x, -end.y];
    if (Math.hypot(off[1]!, off[2]!) < NEAR_M && Math.abs(off[0]!) < NEAR_RAD) break;
    const slopes = slopesOf(now, stepM, cells, end);
    const normal = new Float64Array(9);
    for (let a = 0; a < 3; a++)
      for (let b = 0; b < 3; b++)
        normal[3 * a + b] = give.reduce((sum, g, i) => sum + g * slopes[a]![i]! * slopes[b]![i]!, 0);
    const pull = solveSymmetric(normal, off);
    if (!pull) break;
    now = now.map(([at, k], i): [number, number] => [
      at,
      k + give[i]! * (pull[0]! * slopes[0]![i]! + pull[1]! * slopes[1]![i]! + pull[2]! * slopes[2]![i]!),
    ]);
  }
  return now;
}

/** The curvature of the cells of a grid, from the knots around the middle of each. */
export function cellsOf(knots: Knots, cells: number): Float64Array {
  return followed(knots, knots.at(-1)![0] / cells, cells).curvature;
}

function followed(knots: Knots, stepM: number, n: number): { curvature: Float64Array; piece: Int32Array } {
  const piece = new Int32Array(n);
  let k = 0;
  const curvature = Float64Array.from({ length: n }, (_, i) => {
    const s = (i + 0.5) * stepM;
    while (k < knots.length - 2 && knots[k + 1]![0] <= s) k++;
    piece[i] = k;
    const [[from, a], [to, b]] = [knots[k]!, knots[k + 1]!];
    return a + ((b - a) * (s - from)) / (to - from);
  });
  return { curvature, piece };
}

/** How the end follows the curvature at each knot, which reaches half into both neighbours. */
function slopesOf(knots: Knots, stepM: number, cells: number, end: { x: number; y: number }): number[][] {
  const { curvature, piece } = followed(knots, stepM, cells);
  const slopes = [0, 1, 2].map(() => new Array<number>(knots.length).fill(0));
  let [heading, x, y] = [0, 0, 0];
  curvature.forEach((k, i) => {
    const at = piece[i]!;
    const [from, to] = [knots[at]![0], knots[at + 1]![0]];
    const share = ((i + 0.5) * stepM - from) / (to - from);
    const turn = k * stepM;
    x += stepM * Math.cos(heading + turn / 2);
    y += stepM * Math.sin(heading + turn / 2);
    heading += turn;
    const by = [stepM, -(end.y - y) * stepM, (end.x - x) * stepM];
    by.forEach((slope, a) => {
      slopes[a]![at]! += (1 - share) * slope;
      slopes[a]![at + 1]! += share * slope;
    });
  });
  return slopes;
}
