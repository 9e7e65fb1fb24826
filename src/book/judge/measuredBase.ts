import { countsPerDegree } from '@/core/axes/steeringAngle';
import { hardwareOf, type ChainFacts } from '@/core/force/chainOf';
import { forceFactsOf } from './force';
import type { MeasuredBase } from '@/core/rig/measuredBase';
import { massFor, type BaseByHand } from '@/core/identify/baseByHand';
import type { BookView } from '../model/bookView';

/** Raw counts for a degree of the wheel, to the left; `null` where the steering was not measured yet. */
export function wheelScale(view: Pick<BookView, 'axes'>): number | null {
  const analysis = view.axes.find(({ axis }) => axis === 'steering')?.capture?.analysis;
  return analysis?.axis === 'steering' ? countsPerDegree(analysis) : null;
}

/** What is kept of a measurement. */
export function keptOf({
  warnings: _,
  imbalance: __,
  springOverInertia: ___,
  ...found
}: BaseByHand): Omit<MeasuredBase, 'atMs'> {
  return { ...found, method: 'by-hand' };
}

/** The combination as it would be foretold without any measurement, and with the newest one. */
export function rimBeforeAndAfter(view: BookView): { before: ChainFacts; after: ChainFacts } {
  const after = forceFactsOf(view);
  const { rig } = after;
  return { after, before: { ...after, rig: { ...rig, base: { ...rig.base, measured: [] } } } };
}

/** A mass for this rig's pendulum: friction, as far as it is known, must not be able to hold it. */
export const massOf = ({ rig }: Pick<BookView, 'rig'>): ReturnType<typeof massFor> =>
  massFor(hardwareOf(rig.spec, null).frictionNm);
