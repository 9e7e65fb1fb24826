import type { BookView } from '../model/bookView';
import type { RecentChange } from '../model/experimentView';
import { askableSettings, type AskableSetting } from './askable';
import { isFeltHere } from './livePlan';
import { anotherValue } from './seatQuestion';

/** A setting that the paddles change while driving: a step at a time, or between two values. */
export interface UnderPaddles {
  setting: AskableSetting;
  /** A and B; `null` where each pull is a step. */
  between: [number, number] | null;
}

/** Settings that are felt here: what the pedals and the wheel go through. The wheel gets no force from here. */
export const feltSettings = (view: BookView): AskableSetting[] =>
  askableSettings(view).filter((one) =>
    isFeltHere(view, { [one.key]: one.value }, { [one.key]: anotherValue(one) }),
  );

/** What stands under the paddles, as an address says it; `null` where it is nothing that is felt here. */
export function underPaddles(
  view: BookView,
  key: string | undefined,
  between: string | undefined,
): UnderPaddles | null {
  const setting = feltSettings(view).find((one) => one.key === key);
  if (!setting) return null;
  const values = between?.split('~').map(Number) ?? [];
  const fits = values.every((v) => Number.isFinite(v) && v >= setting.field.min && v <= setting.field.max);
  const [a, b] = values;
  return { setting, between: values.length === 2 && fits && a !== b ? [a!, b!] : null };
}

/** The same as an address. */
export const underText = ({ setting, between }: UnderPaddles) =>
  `under=${encodeURIComponent(setting.key)}${between ? `&between=${between.join('~')}` : ''}`;

/** What can be put under the paddles: what was changed last, between both of its values, then every setting, step by step. */
export function paddleChoices(view: BookView, recent: readonly RecentChange[]): UnderPaddles[] {
  const felt = feltSettings(view);
  const both = recent.flatMap(({ key, from, to }): UnderPaddles[] => {
    const setting = felt.find((one) => one.key === key);
    const [a, b] = [from ?? setting?.field.neutral, to ?? setting?.field.neutral];
    return setting && typeof a === 'number' && typeof b === 'number' && a !== b
      ? [{ setting, between: [a, b] }]
      : [];
  });
  return [...both, ...felt.map((setting) => ({ setting, between: null }))];
}

/** The value after a pull: up is more, or B; never beyond the ends of the menu. */
export function pulled({ setting: { field }, between }: UnderPaddles, value: number, by: 1 | -1): number {
  if (between) return between[by === 1 ? 1 : 0];
  return Number(Math.min(field.max, Math.max(field.min, value + by * field.step)).toFixed(9));
}
