import { z } from 'zod';
import { keySchema } from '../text/key';
import { atMsSchema } from '../text/time';
import { gridPoint, toCanonical, type MenuField } from './menuSchema';
import { curveOf, valueOf, type FieldValues } from './settings';
import { curveValue } from './curve';

/** One step of the way back to linear: a value, and the day before which it is not due. */
interface WeaningStep {
  value: number;
  dueMs: number;
}

/** A way from a calm curve back to linear, step by step. */
export interface WeaningPlan {
  field: string;
  /** The calm value that it begins with. */
  fromValue: number;
  steps: WeaningStep[];
  /** How smooth the throttle was when the present step began, 1/s RMS; `null` before the first ride. */
  smoothnessAtStep: number | null;
}

const menuNumber = z.number().min(-1e6).max(1e6);

export const weaningPlanSchema = z.strictObject({
  field: keySchema,
  fromValue: menuNumber,
  steps: z.array(z.strictObject({ value: menuNumber, dueMs: atMsSchema })).max(40),
  smoothnessAtStep: z.number().min(0).max(1e6).nullable(),
}) satisfies z.ZodType<WeaningPlan>;

export const WEANING_STEPS = 4;
const WEEK_MS = 7 * 24 * 3600 * 1000;
/** A foot that got rougher by more than this since the step began has not learnt it yet. */
const ROUGHER = 0.1;

/**
 * A plan back to neutral in steps that feel alike: the middle of the way moves by equal amounts from step to step, each on
 * the field's own grid.
 * @returns `null` where the field is at neutral already
 */
export function weaningPlan(field: MenuField, values: FieldValues, startMs: number): WeaningPlan | null {
  const fromValue = valueOf(field, values);
  if (fromValue === field.neutral) return null;
  const middle = (value: number) => curveValue(curveOf(field, toCanonical(field, value)), 0.5);
  const [from, to] = [middle(fromValue), middle(field.neutral)];
  const between = gridBetween(field, fromValue);
  const steps: WeaningStep[] = [];
  let last = fromValue;
  for (let n = 1; n <= WEANING_STEPS; n++) {
    const wanted = from + ((to - from) * n) / WEANING_STEPS;
    const value =
      n === WEANING_STEPS
        ? field.neutral
        : between.reduce((a, b) => (Math.abs(middle(b) - wanted) < Math.abs(middle(a) - wanted) ? b : a));
    if (value === last) continue;
    steps.push({ value, dueMs: startMs + (steps.length + 1) * WEEK_MS });
    last = value;
  }
  return { field: field.key, fromValue, steps, smoothnessAtStep: null };
}

/** Every value of the grid from one to neutral, both included. */
function gridBetween(field: MenuField, from: number): number[] {
  const index = (value: number) => Math.round((value - field.min) / field.step);
  const [a, b] = [index(from), index(field.neutral)].sort((x, y) => x - y);
  return Array.from({ length: b! - a! + 1 }, (_, i) => gridPoint(field, a! + i));
}

export type WeaningState =
  /** The next step, and why it may be taken. */
  | { kind: 'go'; step: WeaningStep }
  /** Before the day. */
  | { kind: 'wait'; step: WeaningStep }
  /** The day has come, and the foot is rougher than when the step began. */
  | { kind: 'rougher'; step: WeaningStep; by: number }
  /** The day has come, and nothing has been ridden since. */
  | { kind: 'ride'; step: WeaningStep }
  | { kind: 'done' };

/**
 * Where a plan stands: the calendar says when a step may be taken at the earliest, the measured foot whether.
 * @param now the field's value in force
 * @param smoothness of the newest ride with that value, 1/s RMS; `null` where there is none
 */
export function weaningState(
  plan: WeaningPlan,
  now: number,
  nowMs: number,
  smoothness: number | null,
): WeaningState {
  const at = plan.steps.findIndex(({ value }) => value === now);
  const step = plan.steps[at + 1];
  if (!step) return { kind: 'done' };
  if (nowMs < step.dueMs) return { kind: 'wait', step };
  if (smoothness === null) return { kind: 'ride', step };
  const by = plan.smoothnessAtStep === null ? 0 : smoothness / plan.smoothnessAtStep - 1;
  return by > ROUGHER ? { kind: 'rougher', step, by } : { kind: 'go', step };
}
