import type { SteeringAnalysis } from './steeringAnalysis';
import type { Recording } from './recording';
import { notJudged, roughAdvice, roughPlace } from './roughAdvice';
import type { Roughness } from './roughness';

const Z95 = 1.96;
/** A full turn each way needs this much from lock to lock. */
const FULL_TURN_FITS_DEG = 720;

/** Sentences on what in a steering capture a driver should know or do again. */
export function steeringWarnings(
  analysis: SteeringAnalysis,
  recording: Recording,
  wear: Roughness,
): string[] {
  const { rotationDeg, rotationSigmaDeg, snappedDeg, probablyDeg, quantum, roughSpots, dropouts } = analysis;
  const warnings = [...(recording.remarks ?? [])];
  if (quantum === null)
    warnings.push(
      'No step repeats in the readings: the host smooths this axis, so its resolution cannot be told.',
    );
  if (rotationDeg === null)
    warnings.push(
      'No hold at a known angle: the rotation cannot be told. Hold the rim at 90° or a full turn, both ways.',
    );
  else if (snappedDeg === null) {
    const interval = `${rotationDeg.toFixed(0)}° ± ${(Z95 * rotationSigmaDeg!).toFixed(0)}° (95 %)`;
    warnings.push(
      probablyDeg === null
        ? `The rotation is ${interval}, which is no common value.`
        : `The rotation is ${interval}: probably ${probablyDeg}°. Holds at ${rotationDeg < FULL_TURN_FITS_DEG ? 'a greater angle' : 'a full turn'} would make it sure.`,
    );
  }
  if (analysis.inverted)
    warnings.push(
      'Left reads below right, as many hosts give it: nothing to do unless the title steers the other way.',
    );
  if (!wear.isJudged && wear.refused === 0) warnings.push(notJudged(analysis.rateHz));
  for (const spot of roughSpots)
    warnings.push(`Rough track ${roughPlace(spot, 'steering')}. ${roughAdvice(spot, 'steering')}`);
  if (dropouts > 0) warnings.push(`The signal dropped out ${dropouts} time${dropouts === 1 ? '' : 's'}.`);
  return warnings;
}
