import { gridPoint, gridValue, toCanonical, type MenuField } from '../response/menuSchema';
import type { ForceChain } from './handsOff';

/** Whether the rim rocked by itself with a value set, hands off, rolling slowly. */
export interface MinForceTry {
  value: number;
  rocks: boolean;
}

/** No title needs more than this share: even gears are lifted by half of it. */
const MOST_SHARE = 0.25;
/** Nobody lets go of a rim that pulls by itself with more than this, unless its friction asks for it. */
const MOST_NM = 0.6;
const FRICTIONS = 2;

/** The share that is never passed: over what any friction holds, and gentle on a strong base. */
export function upperShare({ base, hardware }: ForceChain): number {
  const torque = Math.max(MOST_NM, FRICTIONS * hardware.frictionNm);
  return Math.min(MOST_SHARE, torque / Math.max(1e-6, base.strength * hardware.ratedNm));
}

export type MinForceStep =
  /** Set this value and look; `isAgain` where the answer before surprised and is asked for once more. */
  | { kind: 'try'; value: number; isAgain: boolean; triesLeft: number }
  /** The greatest value that stays still. */
  | { kind: 'found'; value: number }
  /** It rocks even with the least: the cause is another. */
  | { kind: 'never-still' };

/** Answers that lie further off than these shares of the prediction are asked for once more. */
const STILL_SURPRISES_FROM = 1.25;
const ROCKS_SURPRISES_TO = 0.6;
/** The first step away from the prediction, as a share of it; each further one is twice as long. */
const FIRST_STEP = 0.15;

const indexOf = (field: MenuField, value: number) => Math.round((value - field.min) / field.step);

/** What is known before the first try. */
export interface MinForceBounds {
  /** Greatest share that is predicted to stay still; `null` where the rim is predicted to move without any. */
  predicted: number | null;
  /** Share that is never passed; see {@link upperShare}. */
  upper: number;
}

/**
 * Where the stepping stands: from the predicted value outwards in growing steps until one stays still and one rocks, then
 * halved until they are one step of the menu apart. An answer that surprises (still well above the prediction, rocking well
 * below it) counts only when it is given twice, of three where the two differ: one mistake neither ends it nor drives it up.
 * @param tries in order, each at the value that was asked for
 */
export function minForceStep(
  field: MenuField,
  { predicted, upper: upperTo }: MinForceBounds,
  tries: readonly MinForceTry[],
): MinForceStep {
  const upper = indexOf(field, gridValue(field, upperTo, 'atMost'));
  const start = Math.min(
    upper,
    predicted === null ? 0 : Math.max(0, indexOf(field, gridValue(field, predicted, 'atMost'))),
  );
  const surprises = (i: number, rocks: boolean) => {
    const share = toCanonical(field, gridPoint(field, i));
    if (predicted === null) return !rocks && i > 0;
    return rocks
      ? share <= ROCKS_SURPRISES_TO * predicted
      : share >= STILL_SURPRISES_FROM * predicted && i > start;
  };
  // Below the least value nothing can be set; it counts as still until it is tried.
  let still = -1;
  let rocks = upper + 1;
  for (const [i, answers] of answersByValue(field, tries)) {
    const said = settled(answers, surprises(i, answers[0]!));
    if (said === null)
      return { kind: 'try', value: gridPoint(field, i), isAgain: true, triesLeft: left(rocks - still) + 1 };
    if (said) rocks = Math.min(rocks, i);
    else still = Math.max(still, i);
  }
  const ask = (i: number): MinForceStep => ({
    kind: 'try',
    value: gridPoint(field, i),
    isAgain: false,
    triesLeft: Math.max(1, left(rocks - still)),
  });
  if (still < 0 && rocks > upper) return ask(start);
  if (still >= upper) return { kind: 'found', value: gridPoint(field, upper) };
  if (rocks - still <= 1)
    return still < 0 ? { kind: 'never-still' } : { kind: 'found', value: gridPoint(field, still) };
  const first = Math.max(1, Math.round(FIRST_STEP * start));
  const reach = (from: number) => Math.max(first, 2 * Math.abs(from - start));
  if (rocks > upper) return ask(Math.min(upper, start + reach(still)));
  if (still < 0) return ask(Math.max(0, start - reach(rocks)));
  return ask((still + rocks) >> 1);
}

/** Answers of each value in the order in which it was first asked for. */
function answersByValue(field: MenuField, tries: readonly MinForceTry[]): Map<number, boolean[]> {
  const by = new Map<number, boolean[]>();
  for (const { value, rocks } of tries) {
    const i = indexOf(field, value);
    by.set(i, [...(by.get(i) ?? []), rocks]);
  }
  return by;
}

/** Whether it rocks; `null` while it has to be asked again. */
function settled(answers: readonly boolean[], isSurprise: boolean): boolean | null {
  const [first, second] = answers;
  if (!isSurprise || first === second) return first!;
  return answers[2] ?? null;
}

/** Tries that halve an interval of so many steps down to one. */
const left = (steps: number) => Math.ceil(Math.log2(Math.max(1, steps)));
