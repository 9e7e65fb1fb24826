import type { DrillName } from '../drills/measureDrill';
import type { PartName } from '../feel/testRun';
import type { CarSpec } from '../vehicle/carSpec';
import { planSpeed } from '../vehicle/speedPlan';
import type { Track } from '../vehicle/track';
import { before, straightest, tightest, USUAL_BRAKE_MPS2, type Stretch } from './stretch';

/** The road on which a test run is driven: it has a straight, a hairpin, a fast bend and kerbs. */
export const TEST_TRACK = 'saltmarsh-loop';

/** How long each part lasts, s; where one sets out at the speed of the road, a share of it, else at so many m/s. */
const PARTS: Record<PartName, { seconds: number; share?: number; mps?: number; beforeS?: number }> = {
  straight: { seconds: 14, share: 0.7 },
  hairpin: { seconds: 11, share: 0.85, beforeS: 3 },
  sweep: { seconds: 11, share: 0.95, beforeS: 3 },
  kerb: { seconds: 10, share: 0.8, beforeS: 2 },
  grass: { seconds: 12, mps: 12 },
  roll: { seconds: 16, mps: 2 },
  launch: { seconds: 10, mps: 0 },
};

/** All of it, driven here, s. */
export const TEST_DRIVEN_S = Object.values(PARTS).reduce((sum, { seconds }) => sum + seconds, 0);

/** A bend of less than this, 1/m, is nearly a straight. */
const BENDS = 1 / 400;

/** Where on a road a part of the test run is driven. */
export function partStretch(part: PartName, track: Track, car: CarSpec): Stretch {
  const { seconds, share, mps, beforeS = 0 } = PARTS[part];
  const plan = planSpeed(track, car, USUAL_BRAKE_MPS2);
  const at = before(placeOf(part, track, plan), beforeS, track, plan);
  return { fromM: at * track.stepM, speedMps: mps ?? share! * plan[at]!, seconds };
}

/** What the simulated rig does in a part where it does not drive along. */
export const PART_DRILLS: Partial<Record<PartName, DrillName>> = {
  straight: 'weave',
  roll: 'slow-roll',
  launch: 'launch',
};

function placeOf(part: PartName, track: Track, plan: Float64Array): number {
  const { curvature, kerb } = track;
  switch (part) {
    case 'hairpin':
      return tightest(track);
    case 'sweep':
      return fastestBend(curvature, plan);
    case 'kerb':
      return Math.max(
        0,
        kerb.findIndex((aside) => aside !== 0),
      );
    default:
      return straightest(track);
  }
}

function fastestBend(curvature: Float64Array, plan: Float64Array): number {
  const speed = (i: number) => (Math.abs(curvature[i]!) > BENDS ? plan[i]! : 0);
  let at = 0;
  for (let i = 1; i < plan.length; i++) if (speed(i) > speed(at) + 1e-9) at = i;
  return at;
}
