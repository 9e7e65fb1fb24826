import {
  SHAPED_AXES,
  type ShapedAxis,
  type TitleDocument,
  type TitleField,
  type TitlePage,
} from '../formats/titleJson';
import { gridPoint } from '../response/menuSchema';
import type { DescribedField } from './describedField';
import { overlap } from './place';
import { isEffectRole, isScaleKnown, keyFor, roleOf, usualMaps, type Role } from './roles';

/** A described field whose numbers are all there. */
type Whole = DescribedField & { min: number; max: number; step: number };

export const isWhole = (field: DescribedField): field is Whole =>
  field.label.trim() !== '' &&
  field.min !== null &&
  field.max !== null &&
  field.step !== null &&
  (field.neutral !== null || field.role === 'lock');

/**
 * The pages of a title out of its described fields, in the order in which they stand. A field's key is its role; what it sets
 * twice on one layer is refused when the document is read.
 * @returns `null` as long as a field lacks a number
 */
export function pagesOf(fields: readonly DescribedField[]): TitlePage[] | null {
  const whole = fields.filter(isWhole);
  if (whole.length < fields.length) return null;
  const keys = keysOf(whole);
  const pages: TitlePage[] = [];
  for (const [i, field] of whole.entries()) {
    const { layer, axes } = field;
    const path = field.page.trim() || 'Menu';
    const page = pages.find((one) => one.path === path && one.layer === layer);
    const made = titleField(field, keys[i]!);
    if (!page) pages.push({ path, layer, axes: [...axes], fields: [made] });
    else {
      page.axes = SHAPED_AXES.filter((axis) => page.axes.includes(axis) || axes.includes(axis));
      page.fields.push(made);
    }
  }
  return pages;
}

/** The key of each field: its role, counted where one that may stand twice does. */
function keysOf(fields: readonly DescribedField[]): string[] {
  const keys: string[] = [];
  for (const field of fields)
    keys.push(keyFor(field.role, new Set(keys.filter((_, i) => overlap(fields[i]!, field)))));
  return keys;
}

/** A value that a menu stands at, on a control of a layer. */
interface SaidValue {
  layer: TitlePage['layer'];
  axis: ShapedAxis;
  field: string;
  to: number;
}

/**
 * What was said beside the fields that they stand at, on their own grids, where it is not where they come.
 * @param has the controls of the rig
 */
export function valuesSaid(fields: readonly DescribedField[], has: ReadonlySet<string>): SaidValue[] {
  const keys = keysOf(fields);
  return fields.flatMap((field, i) => {
    const { value, neutral, layer, axes } = field;
    if (!isWhole(field) || value === null || neutral === null) return [];
    const to = gridPoint(field, Math.round((value - field.min) / field.step));
    if (to === neutral) return [];
    return axes.filter((axis) => has.has(axis)).map((axis) => ({ layer, axis, field: keys[i]!, to }));
  });
}

function titleField(field: Whole, key: string): TitleField {
  const { label, role, min, max, step, neutral, unit, maps, isMeasured, isApart, axes } = field;
  const numbers = { min, max, step, neutral: neutral ?? max };
  return {
    key,
    label: label.trim(),
    min,
    max,
    step,
    neutral,
    maps: maps ?? usualMaps(role, key, numbers),
    // What was said of it before it was called something else counts no more.
    ...(isApart && isEffectRole(role) && { apart: true as const }),
    axes: [...axes],
    unit,
    evidence: maps && isMeasured ? 'measured' : maps || isScaleKnown(role, unit) ? 'described' : 'assumed',
  };
}

/** The fields of a title as the describer shows them; what is written there again is the same title. */
export function describedFields({ pages }: TitleDocument): DescribedField[] {
  return pages.flatMap(({ path, layer, fields }) =>
    fields.map((field): DescribedField => {
      const { label, min, max, step, neutral, unit, maps, axes, evidence, apart } = field;
      const role: Role = roleOf(field);
      return {
        page: path,
        layer,
        axes: [...axes],
        label,
        role,
        min,
        max,
        step,
        neutral,
        unit,
        maps: evidence === 'assumed' ? null : maps,
        isMeasured: evidence === 'measured',
        isApart: apart === true,
        value: null,
      };
    }),
  );
}
