import { TRAVEL_BINS } from '../rides/travelHistogram';
import type { AxisAnalysis } from './analyseAxis';
import { captureHistogram } from './captureHistogram';
import { captureLength, captureTrace, type CaptureTrace } from './captureTrace';
import type { AxisName } from './axes';
import type { Recording } from './recording';

/** What is shown of a capture beside what it says. */
export interface CapturePicture {
  lengthS: number;
  trace: CaptureTrace;
  /** Where the foot rested and pressed, shares over the travel; `null` for what is no pedal. */
  pressed: number[] | null;
}

export function capturePicture(recording: Recording, axis: AxisName, analysis: AxisAnalysis): CapturePicture {
  return {
    lengthS: captureLength(recording),
    trace: captureTrace(recording, axis, analysis),
    pressed:
      'calibration' in analysis ? captureHistogram(recording, axis, analysis.calibration, TRAVEL_BINS) : null,
  };
}
