import Papa from 'papaparse';
import { AXIS_WORDS, type AxisName } from '../axes/axes';
import { decimalsOf, type MenuField } from '../response/menuSchema';
import type { Menu } from '../settings/menus';
import {
  keyText,
  POINTS_FIELD,
  type Layer,
  type SettingKey,
  type SettingValue,
  type SettingValues,
} from '../settings/setting';

/** One page of menus: where it is found, and its axes in the order in which they stand there. */
export interface MenuPage {
  path: string;
  layer: Layer;
  axes: readonly AxisName[];
  /** Only these fields stand on it, or all but those; every field where neither is said. */
  fields?: readonly string[];
  except?: readonly string[];
}

/** One value to type in. */
export interface CardLine {
  key: SettingKey;
  axis: string;
  label: string;
  value: string;
  unit: string;
  step: string;
  isNeutral: boolean;
}

export interface CardPage {
  path: string;
  layer: Layer;
  lines: CardLine[];
}

export interface SetupCard {
  title: string;
  /** For what it was made: rig, base, car, driver, versions. */
  made: string[];
  pages: CardPage[];
  calibration: string[];
  /** What lies on which button, and what else the rim shows. */
  buttons: string[];
  cautions: string[];
}

type CardMenus = Record<Layer, Partial<Record<AxisName, Menu>>>;

const UNITS: Partial<Record<MenuField['maps']['kind'], string>> = { degrees: '°', torque: 'N·m' };

/** Every value of the pages, in their order; an axis without a menu there is left out. */
export function cardPages(pages: readonly MenuPage[], menus: CardMenus, values: SettingValues): CardPage[] {
  return pages.flatMap(({ path, layer, axes, fields, except }) => {
    const stands = ({ key: { field } }: CardLine) =>
      (fields === undefined || fields.includes(field)) && !except?.includes(field);
    const lines = axes.flatMap((axis) => linesOf(layer, axis, menus[layer][axis], values)).filter(stands);
    return lines.length === 0 ? [] : [{ path, layer, lines }];
  });
}

function linesOf(layer: Layer, axis: AxisName, menu: Menu | undefined, values: SettingValues): CardLine[] {
  if (!menu) return [];
  const name = AXIS_WORDS[axis].replace(/^./, (c) => c.toUpperCase());
  const numbers = menu.dialect.fields.map((field): CardLine => {
    const key = { layer, axis, field: field.key };
    const set = values[keyText(key)];
    const value = typeof set === 'number' ? set : field.neutral;
    const digits = decimalsOf(field);
    return {
      key,
      axis: name,
      label: field.label,
      value: value.toFixed(digits),
      unit: field.unit ?? UNITS[field.maps.kind] ?? '',
      step: field.step.toFixed(digits),
      isNeutral: value === field.neutral,
    };
  });
  const drawnKey = { layer, axis, field: POINTS_FIELD };
  const points = values[keyText(drawnKey)];
  if (!menu.drawsCurve || !Array.isArray(points)) return numbers;
  return [
    ...numbers,
    {
      key: drawnKey,
      axis: name,
      label: 'Curve',
      value: pointsText(points),
      unit: '%',
      step: '1',
      isNeutral: false,
    },
  ];
}

/** The value with its unit; a degree sign stands close. */
export function writtenValue({ value, unit }: CardLine): string {
  return unit === '' || unit === '°' ? `${value}${unit}` : `${value} ${unit}`;
}

/** "0·0 40·12 100·100": the way and what it gives, in percent. */
function pointsText(points: Extract<SettingValue, [number, number][]>): string {
  return points.map(([x, y]) => `${Math.round(100 * x)}·${Math.round(100 * y)}`).join(' ');
}

/** The card for a text file or a forum: one list per page of menus. */
export function cardMarkdown({ title, made, pages, calibration, buttons, cautions }: SetupCard): string {
  const table = ({ path, lines }: CardPage) =>
    [
      `## ${path}`,
      '',
      '| axis | setting | value | step |',
      '|---|---|---|---|',
      ...lines.map((l) => `| ${l.axis} | ${l.label} | ${writtenValue(l)} | ${l.step} |`),
      '',
    ].join('\n');
  const list = (head: string, items: string[]) =>
    items.length === 0 ? [] : [[`## ${head}`, '', ...items.map((item) => `- ${item}`), ''].join('\n')];
  return [
    `# ${title}\n`,
    `${made.join(' · ')}\n`,
    ...pages.map(table),
    ...list('Buttons', buttons),
    ...list('Calibration', calibration),
    ...list('Mind', cautions),
  ].join('\n');
}

const CSV_HEAD = ['page', 'layer', 'axis', 'setting', 'value', 'unit', 'step', 'neutral'];

/** The card for a spreadsheet. */
export function cardCsv({ pages }: SetupCard): string {
  const rows = pages.flatMap(({ path, layer, lines }) =>
    lines.map((l) => [path, layer, l.axis, l.label, l.value, l.unit, l.step, l.isNeutral ? 'yes' : 'no']),
  );
  return `${Papa.unparse([CSV_HEAD, ...rows], { newline: '\r\n', escapeFormulae: FORMULA })}\r\n`;
}

/** What a spreadsheet would reckon with instead of showing it; a signed number is none. */
const FORMULA = /^(?![-+]?\d+(?:[.,]\d+)?$)[=+\-@\t\r]/;
