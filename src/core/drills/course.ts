import type { Stretch } from '../driving/stretch';
import type { CarSpec } from '../vehicle/carSpec';
import type { Track } from '../vehicle/track';
import { fitCircle } from './circle';
import type { DrillOptions } from './drill';
import { DRILLS, type DrillName } from './measureDrill';

/** The place on which every drill is driven: a launch lane, the circle, a weave, a hairpin. */
export const DRILL_TRACK = 'quarry-pan';

const LANE_M = 4;

/** So far before a turn its attempt begins. */
const BEFORE_CIRCLE_M = 15;
const BEFORE_HAIRPIN_M = 90;

/** The stretch on which a drill is driven. */
export function drillStretch(name: DrillName, track: Track): Stretch {
  const { at, speedMps, seconds } = DRILLS[name].course;
  return { fromM: at === 'lane' ? LANE_M : startOf(at, track), speedMps, seconds };
}

/** The circle that is driven round: where the road bends evenly for longest. */
export function drillCircle({ curvature, stepM, x, y }: Track): { x: number; y: number; r: number } | null {
  let [from, longest, best] = [0, 0, 0];
  for (let i = 1; i <= curvature.length; i++) {
    const goesOn = i < curvature.length && Math.abs(curvature[i]! - curvature[from]!) < 1e-6;
    if (goesOn) continue;
    const turned = Math.abs(curvature[from]!) * (i - from) * stepM;
    if (turned > longest) [longest, best] = [turned, from];
    from = i;
  }
  const bent = curvature[best]!;
  const on = Array.from(curvature.keys()).filter((i) => Math.abs(curvature[i]! - bent) < 1e-6);
  return bent === 0
    ? null
    : fitCircle(
        on.map((i) => x[i]!),
        on.map((i) => y[i]!),
      );
}

/** What is known of an attempt beside its log: where the circle lies, and the car's steering. */
export function drillOptions(
  track: Track,
  { steeringRatio, lockDeg }: Pick<CarSpec, 'steeringRatio' | 'lockDeg'>,
): DrillOptions {
  const circle = drillCircle(track);
  return { steeringRatio, lockDeg, ...(circle && { centre: [circle.x, circle.y] as const }) };
}

/** Where a bend of about the circle's radius begins; the hairpin is the tightest of all. */
function startOf(at: 'circle' | 'hairpin', { curvature, stepM }: Track): number {
  let tightest = 0;
  for (const bent of curvature) tightest = Math.max(tightest, Math.abs(bent));
  if (at === 'hairpin') {
    const turn = curvature.findIndex((bent) => Math.abs(bent) > 0.999 * tightest);
    return Math.max(LANE_M, turn * stepM - BEFORE_HAIRPIN_M);
  }
  const begins = curvature.findIndex((bent) => Math.abs(bent) > 0.01);
  return Math.max(LANE_M, begins * stepM - BEFORE_CIRCLE_M);
}
