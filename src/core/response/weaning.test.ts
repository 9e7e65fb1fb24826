import { throttleSmoothness } from '../rides/throttleSmoothness';
import { curveValue } from './curve';
import { toCanonical } from './menuSchema';
import { curveOf } from './settings';
import { LINEARITY_FIELDS } from '../testing/linearityFields';
import { weaningPlan, weaningState } from './weaning';

const DAY = 24 * 3600 * 1000;
const { amount } = LINEARITY_FIELDS;

it.each([
  ['amount', 60],
  ['exponent', 2.2],
  ['clicks', 3],
] as const)(
  'written as %s the way back runs on its own grid, in steps that feel alike, one a week',
  (kind, from) => {
    const linearity = LINEARITY_FIELDS[kind];
    const { steps } = weaningPlan(linearity, { linearity: from }, 0)!;
    expect(steps.at(-1)!.value).toBe(linearity.neutral);
    expect(steps.map((s) => s.dueMs / DAY)).toEqual([7, 14, 21, 28]);
    const middles = [from, ...steps.map((s) => s.value)].map((v) =>
      curveValue(curveOf(linearity, toCanonical(linearity, v)), 0.5),
    );
    const moves = middles.slice(1).map((m, i) => m - middles[i]!);
    expect(Math.min(...moves)).toBeGreaterThan(0);
    expect(Math.max(...moves) / Math.min(...moves)).toBeLessThan(2.1); // seven clicks do not divide by four
  },
);

it('is moved on by the foot, and never before its day', () => {
  const plan = { ...weaningPlan(amount, { linearity: 60 }, 0)!, smoothnessAtStep: 0.5 };
  const at = (days: number, smoothness: number | null, now = 60) =>
    weaningState(plan, now, days * DAY, smoothness).kind;
  expect(at(6, 0.3)).toBe('wait');
  expect(at(8, null)).toBe('ride');
  expect(at(8, 0.6)).toBe('rougher');
  expect(at(8, 0.52)).toBe('go');
  expect(weaningState(plan, plan.steps[0]!.value, 15 * DAY, 0.4)).toEqual({
    kind: 'go',
    step: plan.steps[1],
  });
  expect(at(99, 0.4, 0)).toBe('done');
  expect(weaningPlan(amount, {}, 0)).toBeNull();
});

it('smoothness is the RMS of the rate: a foot that swings twice as fast is twice as rough', () => {
  const t = Float64Array.from({ length: 6000 }, (_, i) => i / 100);
  const swing = (w: number) =>
    throttleSmoothness({
      columns: { t_s: t, throttle: t.map((x) => 0.5 + 0.5 * Math.sin(w * x)) },
      notes: {},
    })!;
  expect(swing(1)).toBeCloseTo(0.5 / Math.SQRT2, 2);
  expect(swing(2) / swing(1)).toBeCloseTo(2, 1);
  expect(throttleSmoothness({ columns: { t_s: t }, notes: {} })).toBeNull();
});
