import { gridPoint, gridValue, type DialectField } from '../response/dialect';
import type { ForceChain } from './handsOff';

/** Whether the rim rocked by itself with a value set, hands off, rolling slowly. */
export interface MinForceTry {
  value: number;
  rocks: boolean;
}

/** No title needs more than this share: even gears are lifted by half of it. */
const MOST_SHARE = 0.25;
/** Nobody lets go of a rim that pulls by itself with more than this to begin with, unless its friction asks for it. */
const MOST_NM = 0.6;
const FRICTIONS = 2;

/** The share to start from: over what any friction holds, and gentle on a strong base. */
export function upperShare({ base, hardware }: ForceChain): number {
  const torque = Math.max(MOST_NM, FRICTIONS * hardware.frictionNm);
  return Math.min(MOST_SHARE, torque / Math.max(1e-6, base.strength * hardware.ratedNm));
}

export type MinForceStep =
  /** Set this value and look. */
  | { kind: 'try'; value: number; triesLeft: number }
  /** The greatest value that stays still. */
  | { kind: 'found'; value: number }
  /** It rocks even with the least: the cause is another. */
  | { kind: 'never-still' };

const indexOf = (field: DialectField, value: number) => Math.round((value - field.min) / field.step);

/**
 * Where the stepping stands: from an upper bound, each answer halves what is left, until still and rocking are one step of
 * the menu apart. At most ⌈log2(range/step)⌉ + 1 tries.
 * @param tries in order, each at the value that was asked for
 */
export function minForceStep(
  field: DialectField,
  upperTo: number,
  tries: readonly MinForceTry[],
): MinForceStep {
  const upper = indexOf(field, gridValue(field, upperTo, 'atMost'));
  // Below the least value nothing can be set; it counts as still until it is tried.
  let still = -1;
  let rocks = upper + 1;
  for (const { value, rocks: rocked } of tries) {
    const i = indexOf(field, value);
    if (rocked) rocks = Math.min(rocks, i);
    else still = Math.max(still, i);
  }
  if (tries.length === 0)
    return { kind: 'try', value: gridPoint(field, upper), triesLeft: left(upper + 1) + 1 };
  if (still >= upper) return { kind: 'found', value: gridPoint(field, upper) };
  if (rocks - still <= 1)
    return still < 0 ? { kind: 'never-still' } : { kind: 'found', value: gridPoint(field, still) };
  return { kind: 'try', value: gridPoint(field, (still + rocks) >> 1), triesLeft: left(rocks - still) };
}

/** Tries that halve an interval of so many steps down to one. */
const left = (steps: number) => Math.ceil(Math.log2(Math.max(1, steps)));
