import { restingLimb, strokeOf } from '@/core/axes/axes';
import { lockShare } from '@/core/axes/steeringAngle';
import { clippedTravel } from '@/core/axes/calibration';
import type { PedalAnalysis } from '@/core/axes/pedalAnalysis';
import { effectiveResponse, respond } from '@/core/response/compose';
import type { ResponseLayer } from '@/core/response/layer';
import { responseNotes, type ResponseNote } from '@/core/response/notes';
import { matchRotation } from '@/core/rotation/matchRotation';
import { LAYERS } from '@/core/settings/setting';
import type { AxisView } from '../model/axisView';
import type { BookView } from '../model/bookView';
import { percent } from '@/core/text/percent';

/** What the newest capture says of the pedal; `null` where it is not measured. */
export function pedalAnalysis({ capture }: AxisView): PedalAnalysis | null {
  const analysis = capture?.analysis;
  return analysis && 'calibration' in analysis ? analysis : null;
}

/** Where a raw reading lies on the curve: travel of a pedal, share of the lock of a wheel. */
export function shareOf(axis: AxisView, raw: number, range: { min: number; max: number }): number {
  const analysis = axis.capture?.analysis;
  if (analysis?.axis === 'steering') return Math.min(1, Math.abs(lockShare(analysis, raw)));
  if (analysis && 'calibration' in analysis) return clippedTravel(analysis.calibration, raw);
  const share = (raw - range.min) / (range.max - range.min);
  return axis.axis === 'steering' ? Math.abs(2 * share - 1) : share;
}

/** Steps that the sensor tells apart from released to full, or from centre to lock; `null` where not measured. */
export function sensorSteps({ capture }: AxisView): number | null {
  const analysis = capture?.analysis;
  if (!analysis?.quantum) return null;
  const span = (analysis.max - analysis.min) / (analysis.axis === 'steering' ? 2 : 1);
  return Math.floor(span / analysis.quantum);
}

/** Road-wheel degrees per hand degree around the centre; `null` where the curve is unbounded there. */
export function centreRatio(view: BookView, layers: ResponseLayer[]): number | null {
  const { slopeStart, travel } = effectiveResponse(layers);
  if (slopeStart === null) return null;
  return ((slopeStart / travel) * matchRotation(view.rotation).gain) / view.car.steeringRatio;
}

const layerNames = (view: BookView) => ({
  base: 'the base',
  title: view.names.title,
  car: `the ${view.names.car}’s menu`,
});

/** What is worth saying of the response as it is tried. */
export function notesOf(view: BookView, axis: AxisView, layers: ResponseLayer[]): ResponseNote[] {
  const names = layerNames(view);
  const analysis = axis.capture?.analysis;
  const steering = analysis?.axis === 'steering' ? analysis : null;
  return responseNotes({
    axis: axis.axis,
    layers: LAYERS.map((name, i) => ({ name: names[name], layer: layers[i]! })),
    steps: sensorSteps(axis),
    centringErrorDeg: steering ? (steering.returnHysteresisDeg ?? 0) / 2 : null,
    fullAtDeg: axis.axis === 'steering' ? view.rotation.baseDeg / 2 : null,
  });
}

/** A steering dead zone hides a wheel that does not come back; anything else is a matter of taste. */
function steeringFinding(view: BookView, layers: ResponseLayer[]): string {
  const { deadzone, slopeStart } = effectiveResponse(layers);
  if (deadzone > 0)
    return `The first ${((deadzone * view.rotation.baseDeg) / 2).toFixed(1)}° each way steer nothing`;
  if (slopeStart === null || slopeStart > 1.05) return 'Livelier around centre than at the locks';
  return slopeStart < 0.95
    ? 'Calmer around centre than at the locks'
    : 'The steering is linear from lock to lock';
}

export function shapeFinding(view: BookView, axis: AxisView, layers: ResponseLayer[]): string {
  const analysis = pedalAnalysis(axis);
  if (axis.axis === 'steering') return steeringFinding(view, layers);
  if (!analysis) return `The ${axis.name.toLowerCase()} curve`;
  const drag = analysis.coverTravel
    ? respond(layers, Math.min(1, Math.max(0, analysis.coverTravel.p995)))
    : 0;
  const full = analysis.pressMean === null ? 1 : respond(layers, Math.min(1, analysis.pressMean));
  const limb = restingLimb(axis.axis, axis.by);
  const starts = drag > 0 ? `Your ${limb} gives ${percent(drag, 1)}` : `A ${limb} does nothing`;
  return `${starts}, your full ${strokeOf(axis.axis, axis.by)} gives ${percent(full)}`;
}
