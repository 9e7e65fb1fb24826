import { fail, succeed, type Outcome } from '../problem';
import { analysePedal } from './analysePedal';
import { analyseShifter, type ShifterAnalysis } from './analyseShifter';
import { analyseSteering } from './analyseSteering';
import type { SteeringAnalysis } from './steeringAnalysis';
import type { PedalAnalysis } from './pedalAnalysis';
import { isPedalAxis, type AxisName } from './axes';
import type { Recording } from './recording';

/** Counted up whenever an estimator changes what it says: results kept by an older one are worked out again. */
export const ANALYSIS_VERSION = 1;

export type AxisAnalysis = PedalAnalysis | SteeringAnalysis | ShifterAnalysis;

/** What a capture says about one of its axes, by the estimators that fit it. */
export function analyseAxis(recording: Recording, axis: AxisName): Outcome<AxisAnalysis> {
  if (axis === 'steering') return analyseSteering(recording);
  if (axis === 'gear') return analyseShifter(recording);
  if (isPedalAxis(axis)) return analysePedal(recording, axis);
  throw new RangeError(`no such axis: ${String(axis)}`);
}

/** Every axis of a capture, or every reason why one of them cannot be analysed. */
export function analyseAllAxes(recording: Recording): Outcome<AxisAnalysis[]> {
  const results = (Object.keys(recording.axes) as AxisName[]).map((axis) => analyseAxis(recording, axis));
  const problems = results.flatMap((result) => (result.ok ? [] : result.problems));
  if (problems.length > 0) return fail(...problems);
  return succeed(results.flatMap((result) => (result.ok ? [result.value] : [])));
}
