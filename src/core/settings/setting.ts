import type { AxisName } from '../axes/recording';

/** Layers in the order in which a signal passes them: the base's program, the title, the car in that title. */
export const LAYERS = ['base', 'title', 'car'] as const;
export type Layer = (typeof LAYERS)[number];

/** One setting on one layer: what a change is about. Rotation and lock belong to the steering. */
export interface SettingKey {
  layer: Layer;
  axis: AxisName;
  field: string;
}

/** The field under which a freely drawn curve is kept, where a menu offers one. */
export const POINTS_FIELD = 'points';

/** A menu's number, or the points of a freely drawn curve. */
export type SettingValue = number | [number, number][];

/** Values by `layer/axis/field`; what is not there stands at its neutral. */
export type SettingValues = Record<string, SettingValue>;

export function keyText({ layer, axis, field }: SettingKey): string {
  return `${layer}/${axis}/${field}`;
}

export function keyOfText(text: string): SettingKey {
  const [layer, axis, ...field] = text.split('/');
  return { layer: layer as Layer, axis: axis as AxisName, field: field.join('/') };
}

export function sameValue(a: SettingValue | null | undefined, b: SettingValue | null | undefined): boolean {
  return a === b || JSON.stringify(a ?? null) === JSON.stringify(b ?? null);
}

/** Settings that differ between two sets of values; more than one makes a ride after them confounded. */
export function changedBetween(before: SettingValues, after: SettingValues): string[] {
  const keys = new Set([...Object.keys(before), ...Object.keys(after)]);
  return [...keys].filter((key) => !sameValue(before[key], after[key])).sort();
}
