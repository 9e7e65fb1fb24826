import { simulatedAxes, type SimulatedRigSpec } from '@/catalog/simulatedRigs';
import { simulatedRigById } from '@/catalog/find';
import { wrenThrottle } from '@/catalog/wrenThrottle';
import { programmeFor } from '@/core/axes/programme';
import type { AxisName } from '@/core/axes/axes';
import type { Recording } from '@/core/axes/recording';
import type { SimulatedAxis } from '@/core/axes/simulatedAxis';
import { simulateGuidedCapture } from '@/core/axes/simulateCapture';
import { axesOf } from '@/core/rig/rigSpec';
import type { Combination } from '@/core/settings/scope';

/** Who drove what on which rig; the last one is open when the book is. */
export const COMBINATIONS: readonly Combination[] = [
  { rigId: 'wren', titleId: 'causeway', carId: 'marl-850', driver: 'Dawn shift', branch: '' },
  { rigId: 'gannet', titleId: 'hill-and-hollow', carId: 'spindrift-h4', driver: 'Noon shift', branch: '' },
  { rigId: 'tern', titleId: 'causeway', carId: 'marl-850', driver: 'Late shift', branch: '' },
];

/** Weeks before now in which a rig was measured as a whole; the newest counts, the others are its history. */
const WHOLE_RIG_WEEKS: Record<string, number[]> = { wren: [11, 5, 0], gannet: [8, 0], tern: [10, 6, 3, 0] };
/** The Wren's throttle was looked at every week. */
const THROTTLE_WEEKS = [11, 10, 9, 8, 7, 6, 5, 4, 3, 2, 1, 0];
const FIRST_WEEK = 11;

export interface PlannedCapture {
  combination: Combination;
  axis: AxisName;
  weeksAgo: number;
}

const FIRST_SEED = 100;

/** Eleven weeks of captures on the three rigs, one after the other, each by the simulated hands and feet of its driver. */
export function* demoCaptures(): Generator<{ planned: PlannedCapture; recording: Recording }> {
  let seed = FIRST_SEED;
  for (const planned of plannedCaptures()) yield { planned, recording: recordCapture(planned, seed++) };
}

function plannedCaptures(): PlannedCapture[] {
  return COMBINATIONS.flatMap((combination) => {
    const { rigId } = combination;
    const axes = axesOf(simulatedRigById(rigId).spec);
    const whole = WHOLE_RIG_WEEKS[rigId]!.flatMap((weeksAgo) =>
      axes
        .filter((axis) => !(rigId === 'wren' && axis === 'throttle'))
        .map((axis) => ({ combination, axis, weeksAgo })),
    );
    const weekly =
      rigId === 'wren'
        ? THROTTLE_WEEKS.map((weeksAgo) => ({ combination, axis: 'throttle' as const, weeksAgo }))
        : [];
    return [...whole, ...weekly];
  });
}

function recordCapture({ combination, axis, weeksAgo }: PlannedCapture, seed: number): Recording {
  const rig = simulatedRigById(combination.rigId);
  const { base, shifter } = rig.spec;
  return simulateGuidedCapture({
    axis,
    device: `Simulated ${rig.name}`,
    simulated: axisThen(rig, combination.driver, axis, weeksAgo),
    steps: programmeFor(axis, { rotationDeg: base.rotationDeg, ...(shifter ? { shifter } : {}) }),
    rateHz: rig.rateHz,
    seed,
  });
}

/** An axis as it was some weeks ago: only the Wren's throttle was another one then. */
function axisThen(rig: SimulatedRigSpec, driver: string, axis: AxisName, weeksAgo: number): SimulatedAxis {
  const now = simulatedAxes(rig, driver)[axis]!;
  if (rig.id !== 'wren' || axis !== 'throttle' || now.kind !== 'pedal') return now;
  const { quantum, rangeMin, rangeMax } = now.hardware;
  const worn = wrenThrottle(1 - weeksAgo / FIRST_WEEK);
  return { ...now, hardware: { quantum, rangeMin, rangeMax, ...worn } };
}
