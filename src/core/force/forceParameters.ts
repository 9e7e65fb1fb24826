import { toCanonical, type DialectField } from '../response/dialect';
import type { Menus } from '../settings/menus';
import { keyText, type Layer, type SettingKey, type SettingValues } from '../settings/setting';
import { BAND_HZ, EFFECTS, type Effect } from './forceSettings';

/** Canonical names of what can be set of the force; a menu's field is called by the same key. */
const FORCE_PARAMETERS = [
  'gain',
  'minForce',
  'understeerCue',
  'selfAlignment',
  'mechanicalTrail',
  'pneumaticTrail',
  ...EFFECTS.map((effect) => `${effect}Effect` as const),
  'titleDamper',
  'titleSpring',
  'strength',
  'torqueLimit',
  'interpolation',
  'smoothing',
  ...BAND_HZ.map((hz) => `band${hz}` as const),
  'damperChannel',
  'springChannel',
  'damper',
  'speedDamping',
  'friction',
  'inertia',
  'spring',
  'protection',
] as const;
export type ForceParameter = (typeof FORCE_PARAMETERS)[number];

const KNOWN: ReadonlySet<string> = new Set(FORCE_PARAMETERS);

/** Whether a setting is one of the force: it changes neither the response nor the rotation. */
export const isForceField = (field: string): field is ForceParameter => KNOWN.has(field);

/** A band of the base's equaliser by its middle frequency, Hz. */
export const bandParameter = (hz: (typeof BAND_HZ)[number]): ForceParameter => `band${hz}`;
export const effectParameter = (effect: Effect): ForceParameter => `${effect}Effect`;

/** One setting of the force where a menu offers it. */
export interface ForceField {
  key: SettingKey;
  field: DialectField;
  /** The menu's number in force. */
  value: number;
  canonical: number;
}

/** A menu's field for a parameter, with its value in force; `null` where the layer does not offer it. */
export function forceField(
  menus: Menus,
  values: SettingValues,
  layer: Layer,
  parameter: ForceParameter,
): ForceField | null {
  const field = menus[layer].steering?.dialect.fields.find(
    ({ maps }) => 'of' in maps && maps.of === parameter,
  );
  if (!field) return null;
  const key: SettingKey = { layer, axis: 'steering', field: field.key };
  const set = values[keyText(key)];
  const value = typeof set === 'number' ? set : field.neutral;
  return { key, field, value, canonical: toCanonical(field, value) };
}

/** Every setting of the force that a layer offers, in its menu's own order. */
export function forceFields(menus: Menus, values: SettingValues, layer: Layer): ForceField[] {
  return (menus[layer].steering?.dialect.fields ?? []).flatMap(({ maps }) => {
    const parameter = 'of' in maps ? maps.of : '';
    const found = isForceField(parameter) ? forceField(menus, values, layer, parameter) : null;
    return found ? [found] : [];
  });
}
