import isEqual from 'fast-deep-equal';
import { z } from 'zod';
import { AXIS_NAMES, type AxisName } from '../axes/axes';
import { keySchema } from '../text/key';

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

/** No menu writes larger numbers. */
const LARGEST = 1e6;
const MOST_SETTINGS = 2000;
const share = z.number().min(0).max(1);

/** A menu's number, or the points of a freely drawn curve. */
export const settingValueSchema = z.union(
  [z.number().min(-LARGEST).max(LARGEST), z.array(z.tuple([share, share])).max(50)],
  `a value is a number of at most ${LARGEST}, or the points of a curve between 0 and 1`,
);
export type SettingValue = z.output<typeof settingValueSchema>;

export const settingKeySchema = z.strictObject({
  layer: z.enum(LAYERS),
  axis: z.enum(AXIS_NAMES),
  field: keySchema,
});

/** Values by `layer/axis/field`; what is not there stands at its neutral. */
export const settingValuesSchema = z
  .record(
    z.string().refine((text) => settingKeySchema.safeParse(keyOfText(text)).success, 'no layer/axis/field'),
    settingValueSchema,
  )
  .refine((values) => Object.keys(values).length <= MOST_SETTINGS, `at most ${MOST_SETTINGS} settings`);
export type SettingValues = Record<string, SettingValue>;

export function keyText({ layer, axis, field }: SettingKey): string {
  return `${layer}/${axis}/${field}`;
}

export function keyOfText(text: string): SettingKey {
  const [layer, axis, ...field] = text.split('/');
  return { layer: layer as Layer, axis: axis as AxisName, field: field.join('/') };
}

export function sameValue(a: SettingValue | null | undefined, b: SettingValue | null | undefined): boolean {
  return isEqual(a ?? null, b ?? null);
}

/** Settings that differ between two sets of values; more than one makes a ride after them confounded. */
export function changedBetween(before: SettingValues, after: SettingValues): string[] {
  const keys = new Set([...Object.keys(before), ...Object.keys(after)]);
  return [...keys].filter((key) => !sameValue(before[key], after[key])).sort();
}
