import { brakeForceAdvice, type BrakeForceAdvice } from '@/core/axes/brakeForce';
import type { RigSpec } from '@/core/rig/rigSpec';
import type { AxisView } from '../model/axisView';

/**
 * The base's own scale instead of the title's saturation, for a load cell whose full press does not show 100 %. A brake that
 * reaches it needs neither.
 */
export function brakeForceInstead(
  { capture, recommendations }: Pick<AxisView, 'capture' | 'recommendations'>,
  { base: { brakeForce }, pedals }: RigSpec,
): (BrakeForceAdvice & { now: number; pressMean: number }) | null {
  const analysis = capture?.analysis;
  if (analysis?.axis !== 'brake' || analysis.pressMean === null) return null;
  if (!brakeForce || pedals.brake !== 'load-cell') return null;
  if (!recommendations.some(({ parameter }) => parameter === 'saturation')) return null;
  const advice = brakeForceAdvice(analysis.pressMean, brakeForce);
  if (!advice || advice.withMargin === brakeForce.now) return null;
  return { ...advice, now: brakeForce.now, pressMean: analysis.pressMean };
}
