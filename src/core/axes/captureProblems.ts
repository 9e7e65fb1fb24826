import type { Problem } from '../problem';
import { LEAST_SWEEPS } from './ends';
import type { AxisName } from './axes';
import type { PhaseRun } from './recording';

/** An axis that moves over less of the device's range than this was not the one that was moved. */
export const LEAST_SPAN = 0.05;
export const LEAST_REST_SAMPLES = 20;

export function missingAxis(axis: AxisName): Problem {
  return {
    code: 'axis-missing',
    message: 'The capture holds no such axis.',
    place: { channel: axis },
    remedy: `Add a column "${axis}" with its raw counts.`,
  };
}

export function tooLittleRest(rests: PhaseRun[], axis: AxisName): Problem[] {
  if (rests.length > 0) return [];
  return [
    {
      code: 'no-rest',
      message: `There is no stretch of at least ${LEAST_REST_SAMPLES} samples at rest.`,
      place: { channel: axis, phase: 'rest' },
      remedy: 'Record the pedal untouched for two seconds or more, labelled "rest".',
    },
  ];
}

/** @param full how many full ones there are; `null` where nothing is labelled as one */
export function tooFewSweeps(full: number | null, axis: AxisName): Problem[] {
  if (full !== null && full >= LEAST_SWEEPS) return [];
  const found = full === null ? 'There is no sweep' : `Only ${full} full sweep${full === 1 ? '' : 's'} found`;
  return [
    {
      code: 'too-few-sweeps',
      message: `${found}; ${LEAST_SWEEPS} are needed.`,
      place: { channel: axis, phase: 'sweep' },
      remedy: `Press from stop to stop ${LEAST_SWEEPS} times or more, a second or more each way, labelled "sweep" with "idle" between.`,
    },
  ];
}

export function neverMoves(axis: AxisName, moved: number, range: number): Problem {
  const share = range > 0 ? ((100 * moved) / range).toFixed(1) : '0';
  return {
    code: 'span-too-small',
    message: `The axis moves over ${share} % of the device's range; at least ${100 * LEAST_SPAN} % is needed.`,
    place: { channel: axis, phase: 'sweep' },
    remedy: 'Check that this is the pedal that was pressed, and that it was pressed to its stop.',
  };
}
