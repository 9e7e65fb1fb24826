import type { AxisName } from '../axes/axes';
import { fail, succeed, type Outcome, type Problem } from '../problem';
import { LEAST_GAP } from '../response/curve';
import { decimalsOf, type MenuSchema, type MenuField } from '../response/menuSchema';
import { NEUTRAL_LAYER, type ResponseLayer } from '../response/layer';
import { checkSettings, fieldOf, layerFromSettings } from '../response/settings';
import {
  LAYERS,
  keyText,
  POINTS_FIELD,
  type Layer,
  type SettingKey,
  type SettingValue,
  type SettingValues,
} from './setting';
import { fieldValues } from './trail';

/** What one layer offers for one axis. */
export interface Menu {
  dialect: MenuSchema;
  /** Whether its curve can be drawn freely, through points. */
  drawsCurve: boolean;
}

/** What can be set where: the base's program, the title, the car in that title. */
export type Menus = Record<Layer, Partial<Record<AxisName, Menu>>>;

/** The response of one axis layer by layer, in signal order; a layer without a menu passes everything on. */
export function responseLayers(menus: Menus, values: SettingValues, axis: AxisName): ResponseLayer[] {
  return LAYERS.map((layer) => layerOf(menus, values, layer, axis));
}

function layerOf(menus: Menus, values: SettingValues, layer: Layer, axis: AxisName): ResponseLayer {
  const menu = menus[layer][axis];
  if (!menu) return NEUTRAL_LAYER;
  const plain = layerFromSettings(menu.dialect, fieldValues(values, layer, axis));
  const points = values[keyText({ layer, axis, field: POINTS_FIELD })];
  if (!menu.drawsCurve || !Array.isArray(points)) return plain;
  return { ...plain, curve: { kind: 'points', points } };
}

export function menuField(menus: Menus, { layer, axis, field }: SettingKey): MenuField | undefined {
  const menu = menus[layer][axis];
  return menu && fieldOf(menu.dialect, field);
}

/** The field of a menu that turns a wheel: its rotation, or a car's lock. */
export function degreesField(menus: Menus, layer: Layer, of: 'rotation' | 'lock'): MenuField | undefined {
  return menus[layer].steering?.dialect.fields.find(({ maps }) => maps.kind === 'degrees' && maps.of === of);
}

const GRID_TOLERANCE = 1e-6;

/** Refuses a change that its menu does not take, or that leaves an axis without travel. */
export function checkChange(
  menus: Menus,
  values: SettingValues,
  key: SettingKey,
  to: SettingValue | null,
): Outcome<SettingValues> {
  const after = { ...values };
  if (to === null) delete after[keyText(key)];
  else after[keyText(key)] = to;
  const menu = menus[key.layer][key.axis];
  if (!menu)
    return fail(problem(key, 'no-menu', 'Nothing can be set there.', 'Choose another axis or layer.'));
  const wrong = to === null ? null : wrongValue(menu, key, to);
  if (wrong) return fail(wrong);
  const together = wrongTogether(menu, fieldValues(after, key.layer, key.axis));
  return together ? fail(together) : succeed(after);
}

/** What is wrong with a value that a menu is to take, by itself; nothing where it takes it. */
export function wrongValue(menu: Menu, key: SettingKey, to: SettingValue): Problem | null {
  return Array.isArray(to) ? wrongPoints(menu, key, to) : wrongNumber(menu, key, to);
}

/**
 * What cannot be together, or not at all, of the values that are set on an axis; nothing where a title can take them. A
 * value whose field is gone (the base was described anew) says nothing.
 */
export function wrongTogether(menu: Menu, values: Record<string, number>): Problem | null {
  const known = Object.entries(values).filter(([key]) => fieldOf(menu.dialect, key));
  const checked = checkSettings(menu.dialect, Object.fromEntries(known));
  return checked.ok ? null : checked.problems[0]!;
}

function problem(key: SettingKey, code: string, message: string, remedy: string): Problem {
  return { code, message, place: { channel: key.axis }, remedy };
}

function wrongNumber({ dialect }: Menu, key: SettingKey, to: number): Problem | null {
  const field = fieldOf(dialect, key.field);
  if (!field)
    return problem(
      key,
      'unknown-field',
      `${dialect.name} has no field "${key.field}" for the ${dialect.axis}.`,
      `It has: ${dialect.fields.map((f) => f.key).join(', ')}.`,
    );
  const inside = to >= field.min && to <= field.max;
  const steps = (to - field.min) / field.step;
  if (inside && Math.abs(steps - Math.round(steps)) < GRID_TOLERANCE) return null;
  return problem(
    key,
    inside ? 'off-grid' : 'out-of-range',
    `${field.label} ${to} is not what ${dialect.name} takes.`,
    `Choose from ${field.min} to ${field.max} in steps of ${field.step.toFixed(decimalsOf(field))}.`,
  );
}

const LEAST_POINTS = 2;
const MOST_POINTS = 12;

function wrongPoints(
  { dialect, drawsCurve }: Menu,
  key: SettingKey,
  points: [number, number][],
): Problem | null {
  const say = (message: string, remedy: string) => problem(key, 'bad-curve', message, remedy);
  if (key.field !== POINTS_FIELD || !drawsCurve)
    return say(`${dialect.name} cannot draw a curve there.`, 'Use its own fields.');
  if (points.length < LEAST_POINTS || points.length > MOST_POINTS)
    return say(`A curve has ${points.length} points.`, `Give ${LEAST_POINTS} to ${MOST_POINTS}.`);
  const [first, last] = [points[0]!, points.at(-1)!];
  if (first[0] !== 0 || first[1] !== 0 || last[0] !== 1 || last[1] !== 1)
    return say('The curve does not run from 0, 0 to 1, 1.', 'Its ends are fixed.');
  for (let i = 1; i < points.length; i++) {
    const [[x0, y0], [x1, y1]] = [points[i - 1]!, points[i]!];
    if (!(x1 - x0 >= LEAST_GAP))
      return say(`Point ${i + 1} does not lie to the right of point ${i}.`, 'x must rise.');
    if (!(y1 >= y0)) return say(`Point ${i + 1} lies lower than point ${i}.`, 'The curve must never fall.');
  }
  return null;
}
