import type { AxisAnalysis } from '@/core/axes/analyseAxis';
import type { ShifterAnalysis } from '@/core/axes/analyseShifter';
import type { SteeringAnalysis } from '@/core/axes/steeringAnalysis';
import type { PedalAnalysis } from '@/core/axes/pedalAnalysis';
import type { PedalProposal } from '@/core/axes/recommend';
import { AXIS_WORDS, restingLimb, type WorkedBy } from '@/core/axes/axes';

/**
 * The heading that states what the capture found, given what is still to be done.
 * @param drags whether a resting foot is seen; a dead zone may be asked for the resistance alone
 */
export function axisFinding(
  analysis: AxisAnalysis,
  recommendations: PedalProposal[],
  drags = recommendations.some((r) => r.parameter === 'deadzone'),
  by: WorkedBy = 'feet',
): string {
  if (analysis.axis === 'steering') return steeringFinding(analysis);
  if (analysis.axis === 'gear') return shifterFinding(analysis);
  return pedalFinding(analysis, recommendations, drags, by);
}

function pedalFinding(
  analysis: PedalAnalysis,
  recommendations: PedalProposal[],
  drags: boolean,
  by: WorkedBy,
): string {
  const name = AXIS_WORDS[analysis.axis];
  const begins = recommendations.some((r) => r.parameter === 'deadzone');
  const isShort = recommendations.some((r) => r.parameter === 'saturation');
  if (drags && isShort) return `The ${name} drags, and full is out of reach`;
  if (drags) return `The ${name} drags under a ${restingLimb(analysis.axis, by)}`;
  if (isShort) return `Full ${name} is out of reach`;
  if (begins) return `The ${name} begins before its resistance is felt`;
  if (analysis.roughSpots.length > 0) return `The ${name} works, on a track that is rough in places`;
  if (analysis.deadzone === null || analysis.saturation === null) return `The ${name} is measured in part`;
  return `The ${name} rests at 0 and reaches 100 %`;
}

function steeringFinding({ rotationDeg, snappedDeg, probablyDeg }: SteeringAnalysis): string {
  if (rotationDeg === null) return 'The locks are measured, the rotation is not';
  if (snappedDeg !== null) return `The wheel turns ${snappedDeg}° from lock to lock`;
  if (probablyDeg !== null) return `The wheel turns ${rotationDeg.toFixed(0)}°, probably ${probablyDeg}°`;
  return `The wheel turns ${rotationDeg.toFixed(0)}°, which is no common value`;
}

function shifterFinding({ gates }: ShifterAnalysis): string {
  const silent = gates.filter((gate) => gate.reading === null).length;
  if (silent > 0) return `${silent} of ${gates.length} gates give nothing`;
  const faulty = gates.filter((gate) => gate.missed > 0 || gate.doubles > 0).length;
  if (faulty > 0) return `${faulty} of ${gates.length} gates misread`;
  return gates.length <= 2 ? 'The lever reads both ways' : 'Every gate reads once, and as itself';
}
