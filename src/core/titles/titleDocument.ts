import { SHAPED_AXES, type TitleDocument, type TitleField, type TitlePage } from '../formats/titleJson';
import type { DescribedField } from './describedField';
import { overlap } from './place';
import { isScaleKnown, keyFor, roleOf, usualMaps, type Role } from './roles';

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
  const pages: TitlePage[] = [];
  const made: { field: DescribedField; key: string }[] = [];
  for (const field of fields) {
    if (!isWhole(field)) return null;
    const taken = new Set(made.filter((one) => overlap(one.field, field)).map(({ key }) => key));
    const key = keyFor(field.role, taken);
    made.push({ field, key });
    const { layer, axes } = field;
    const path = field.page.trim() || 'Menu';
    const page = pages.find((one) => one.path === path && one.layer === layer);
    if (!page) pages.push({ path, layer, axes: [...axes], fields: [titleField(field, key)] });
    else {
      page.axes = SHAPED_AXES.filter((axis) => page.axes.includes(axis) || axes.includes(axis));
      page.fields.push(titleField(field, key));
    }
  }
  return pages;
}

function titleField(field: Whole, key: string): TitleField {
  const { label, role, min, max, step, neutral, unit, maps, axes } = field;
  const numbers = { min, max, step, neutral: neutral ?? max };
  return {
    key,
    label: label.trim(),
    min,
    max,
    step,
    neutral,
    maps: maps ?? usualMaps(role, key, numbers),
    axes: [...axes],
    unit,
    evidence: maps || isScaleKnown(role, unit) ? 'described' : 'assumed',
  };
}

/** The fields of a title as the describer shows them; what is written there again is the same title. */
export function describedFields({ pages }: TitleDocument): DescribedField[] {
  return pages.flatMap(({ path, layer, fields }) =>
    fields.map((field): DescribedField => {
      const { label, min, max, step, neutral, unit, maps, axes, evidence } = field;
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
        value: null,
      };
    }),
  );
}
