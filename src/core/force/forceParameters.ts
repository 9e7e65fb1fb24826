import { toCanonical, type MenuField } from '../response/menuSchema';
import type { Menus } from '../settings/menus';
import { keyOfText, keyText, type Layer, type SettingKey, type SettingValues } from '../settings/setting';
import { EFFECTS, type Effect } from './effects';
import { BAND_HZ } from './forceSettings';

/** Parts of the force on which its settings stand, in the order in which one works. */
type ForceGroup = 'strength' | 'balance' | 'smooth' | 'calm' | 'listen';

const named = <K extends string, const G extends readonly ForceGroup[]>(names: readonly K[], groups: G) =>
  Object.fromEntries(names.map((name) => [name, groups])) as Record<K, G>;

/**
 * What can be set of the force by its canonical name (a menu's field is called by the same key), with the parts on which
 * it stands, in the order in which it stands there. A new one is an entry here; what it does is in the chain.
 */
const TABLE = {
  gain: ['strength', 'listen'],
  minForce: ['balance'],
  understeerCue: ['balance'],
  selfAlignment: ['balance'],
  mechanicalTrail: ['balance'],
  pneumaticTrail: ['balance'],
  ...named(EFFECTS.map(effectParameter), ['balance']),
  // Every effect is heard; these two are what one listens for.
  ...named(['roadEffect', 'kerbEffect'], ['balance', 'listen']),
  titleDamper: ['calm'],
  titleSpring: ['calm'],
  strength: ['strength'],
  torqueLimit: ['strength'],
  smoothing: ['smooth', 'listen'],
  interpolation: ['smooth'],
  ...named(BAND_HZ.map(bandParameter), ['smooth']),
  damperChannel: ['calm'],
  springChannel: ['calm'],
  damper: ['calm'],
  speedDamping: ['calm'],
  friction: ['smooth', 'calm'],
  inertia: ['smooth', 'calm'],
  spring: ['calm'],
  protection: ['calm'],
} as const satisfies Record<string, readonly ForceGroup[]>;

export type ForceParameter = keyof typeof TABLE;
const FORCE_PARAMETERS = Object.keys(TABLE) as ForceParameter[];

/** Which settings stand on a part of the force. */
export function parametersOn(group: ForceGroup): ForceParameter[] {
  return FORCE_PARAMETERS.filter((name) => (TABLE[name] as readonly ForceGroup[]).includes(group));
}

/** A band of the base's equaliser by its middle frequency, Hz. */
export function bandParameter<Hz extends (typeof BAND_HZ)[number]>(hz: Hz) {
  return `band${hz}` as const;
}
export function effectParameter<E extends Effect>(effect: E) {
  return `${effect}Effect` as const;
}

const KNOWN: ReadonlySet<string> = new Set(FORCE_PARAMETERS);

/** Whether a setting is one of the force: it changes neither the response nor the rotation. */
export const isForceField = (field: string): field is ForceParameter => KNOWN.has(field);
/** The same of a setting as it is stored, `layer/axis/field`. */
export const isForceSetting = (key: string): boolean => isForceField(keyOfText(key).field);

/** One setting of the force where a menu offers it. */
export interface ForceField {
  key: SettingKey;
  field: MenuField;
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

/** Whether a title's force is described at all: without a gain nothing can be said of it. */
export const isForceDescribed = (menus: Menus): boolean => forceField(menus, {}, 'title', 'gain') !== null;

/** Settings of the wheel that the chain does not compute: kept, shown and put on the card. */
export function otherFields(menus: Menus, values: SettingValues, layer: Layer): ForceField[] {
  return (menus[layer].steering?.dialect.fields ?? []).flatMap((field) => {
    const { maps } = field;
    if (!('of' in maps) || maps.kind === 'degrees' || isForceField(maps.of)) return [];
    const key: SettingKey = { layer, axis: 'steering', field: field.key };
    const set = values[keyText(key)];
    const value = typeof set === 'number' ? set : field.neutral;
    return [{ key, field, value, canonical: toCanonical(field, value) }];
  });
}
