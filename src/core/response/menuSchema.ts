/**
 * How a title or base writes a setting. A field maps the number on its menu to a canonical parameter; titles
 * disagree on neutral, scale and direction, and this is the one place that knows.
 */
export type FieldMap =
  | { kind: 'deadzone-amount'; full: number }
  | { kind: 'saturation-amount'; full: number; reach: number }
  | { kind: 'saturation-end'; full: number }
  | { kind: 'gamma-direct' }
  | { kind: 'gamma-log'; base: number; half: number; sign: 1 | -1 }
  | { kind: 'blend'; full: number }
  | PlainMap;

/** Settings that are no part of the response: an amount of something that `of` names. */
export type PlainMap =
  | { kind: 'degrees'; of: string }
  | { kind: 'fraction'; of: string; full: number }
  | { kind: 'gain'; of: string }
  | { kind: 'torque'; of: string };

export interface MenuField {
  key: string;
  label: string;
  min: number;
  max: number;
  step: number;
  neutral: number;
  /** As the menu writes it, where it does. */
  unit?: string;
  maps: FieldMap;
  /** An effect that stands beside the title's gain and is not scaled by it. */
  apart?: true;
}

export interface MenuSchema {
  name: string;
  axis: string;
  fields: MenuField[];
}

/** The canonical parameters that make a response; a field may also speak of something else, by its name. */
export const RESPONSE_PARAMETERS = ['deadzone', 'saturation', 'curve'] as const;
export type ResponseParameter = (typeof RESPONSE_PARAMETERS)[number];

const PARAMETERS: Record<Exclude<FieldMap, PlainMap>['kind'], ResponseParameter> = {
  'deadzone-amount': 'deadzone',
  'saturation-amount': 'saturation',
  'saturation-end': 'saturation',
  'gamma-direct': 'curve',
  'gamma-log': 'curve',
  blend: 'curve',
};

/** What a field speaks of: a part of the response, or the name of another setting. */
export function parameterOf(maps: FieldMap): string {
  return 'of' in maps ? maps.of : PARAMETERS[maps.kind];
}

/** The part of the response that a field sets; `null` where it sets something else. */
export function responseParameterOf(maps: FieldMap): ResponseParameter | null {
  return 'of' in maps ? null : PARAMETERS[maps.kind];
}

/** Canonical number behind a menu value: d, s, γ or k. */
export function toCanonical(field: MenuField, value: number): number {
  const maps = field.maps;
  switch (maps.kind) {
    case 'deadzone-amount':
    case 'saturation-end':
    case 'blend':
    case 'fraction':
      return value / maps.full;
    case 'gain':
      return value / field.neutral;
    case 'degrees':
    case 'torque':
      return value;
    case 'saturation-amount':
      return 1 - (value / maps.full) * maps.reach;
    case 'gamma-direct':
      return value;
    case 'gamma-log':
      return maps.base ** ((maps.sign * (value - field.neutral)) / maps.half);
  }
}

/** Menu value for a canonical number, not yet on the field's grid. */
export function fromCanonical(field: MenuField, canonical: number): number {
  const maps = field.maps;
  switch (maps.kind) {
    case 'deadzone-amount':
    case 'saturation-end':
    case 'blend':
    case 'fraction':
      return canonical * maps.full;
    case 'gain':
      return canonical * field.neutral;
    case 'degrees':
    case 'torque':
      return canonical;
    case 'saturation-amount':
      return ((1 - canonical) / maps.reach) * maps.full;
    case 'gamma-direct':
      return canonical;
    case 'gamma-log':
      return field.neutral + (maps.half / maps.sign) * (Math.log(canonical) / Math.log(maps.base));
  }
}

/** Which way a canonical number may be rounded when it is put on a menu's grid. */
export type Rounding = 'nearest' | 'atLeast' | 'atMost';

/** Slack in grid steps within which a value counts as being on the grid already. */
const ON_GRID = 1e-6;

/** The field's own grid value (min, min + step, … max) for a canonical number, rounded as asked. */
export function gridValue(field: MenuField, canonical: number, rounding: Rounding = 'nearest'): number {
  const position = (fromCanonical(field, canonical) - field.min) / field.step;
  const rising = toCanonical(field, field.max) >= toCanonical(field, field.min);
  const up = (rounding === 'atLeast') === rising;
  const index =
    rounding === 'nearest'
      ? Math.round(position)
      : up
        ? Math.ceil(position - ON_GRID)
        : Math.floor(position + ON_GRID);
  return gridPoint(field, index);
}

/** How many values the field's grid has: min, min + step, … max. */
export function gridCount(field: Pick<MenuField, 'min' | 'max' | 'step'>): number {
  return Math.floor((field.max - field.min) / field.step + ON_GRID) + 1;
}

/** Grid value number `index`, clipped to the field; written with the step's own decimals. */
export function gridPoint(field: Pick<MenuField, 'min' | 'max' | 'step'>, index: number): number {
  const clipped = Math.min(gridCount(field) - 1, Math.max(0, index));
  return Number((field.min + clipped * field.step).toFixed(decimalsOf(field)));
}

/** Decimals that a value of this field is written with. */
export function decimalsOf(field: Pick<MenuField, 'min' | 'step'>): number {
  return Math.max(decimals(field.step), decimals(field.min));
}

/** Decimals of a number as it is written, also where JavaScript writes it with an exponent (1e-7 has seven). */
function decimals(x: number): number {
  const [digits = '', exponent = '0'] = x.toString().split('e');
  const [, fraction = ''] = digits.split('.');
  return Math.max(0, fraction.length - Number(exponent));
}
