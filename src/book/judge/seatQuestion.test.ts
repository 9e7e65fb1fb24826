import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { planSchema, QUESTIONS, settingsOf } from '@/core/experiment/questions';
import { askableSettings } from './askable';
import { anotherValue, seatQuestion } from './seatQuestion';

const view = {
  menus: menusFor(simulatedRigById('tern').spec, titleById('causeway'), carById('marl-850')),
  settings: {},
};
const KEY = 'title/brake/deadzone';
const recent = [{ id: 'c', what: 'Brake ebb 0 → 4', key: KEY, from: null, to: 4 }];

it.each(QUESTIONS)('%s is about what was changed last, and is a plan that can be asked', (question) => {
  for (const isSimulated of [true, false]) {
    const plan = seatQuestion({ ...view, settings: { [KEY]: 4 } }, recent, question, isSimulated, 7)!;
    expect(planSchema.parse(plan)).toEqual(plan);
    expect(settingsOf(plan)).toEqual([KEY]);
    if ('a' in plan) expect([plan.a[KEY], plan.b[KEY]]).toEqual([0, 4]);
    if (question === 'change') expect(plan.way).toBe(isSimulated ? 'simulated' : 'title');
  }
});

it('without a change it is about a value that can be told from what is set; without a menu about nothing', () => {
  const plan = seatQuestion(view, [], 'change', false, 1)!;
  expect(planSchema.safeParse(plan).success).toBe(true);
  const nothing = { base: {}, title: {}, car: {} };
  expect(seatQuestion({ menus: nothing, settings: {} }, [], 'change', false, 1)).toBeNull();
});

it('another value lies on the grid, within the range, and is another', () => {
  for (const setting of askableSettings(view))
    for (const value of [setting.field.min, setting.value, setting.field.max]) {
      const { min, max, step } = setting.field;
      // Whatever is known of what is noticed: nothing, half of the menu, or more than it has.
      for (const share of [null, 0.5, 3]) {
        const noticed = share && {
          value: share * (max - min),
          low: step,
          high: 9 * max,
          from: 'pairs' as const,
        };
        const other = anotherValue({ field: setting.field, value }, noticed || undefined);
        expect(other).not.toBe(value);
        expect(other).toBeGreaterThanOrEqual(min - 1e-9);
        expect(other).toBeLessThanOrEqual(max + 1e-9);
        expect(Math.abs((other - value) / step - Math.round((other - value) / step))).toBeLessThan(1e-6);
      }
    }
});
