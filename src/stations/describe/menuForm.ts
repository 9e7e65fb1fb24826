import { z } from 'zod';
import { probeField, type Probed } from '@/core/response/probe';
import type { FieldMap, ResponseParameter } from '@/core/response/menuSchema';
import { describedFields, isWhole, pagesOf } from '@/core/titles/titleDocument';
import { numbersFault } from '@/core/titles/fieldFault';
import type { DescribedField } from '@/core/titles/describedField';
import { overlap, placed } from '@/core/titles/place';
import { keyFor, OTHER_ROLES, roleOf, usualMaps, type Role } from '@/core/titles/roles';
import { MOST_FIELDS } from '@/core/titles/pastedMenu';
import { PLAIN_TRAITS, type ShapedAxis, type TitleDocument } from '@/core/formats/titleJson';
import type { BaseProgram } from '@/core/rig/rigSpec';
import type { AxisName } from '@/core/axes/axes';
import { line } from '@/core/text/line';

const asked = z.number().min(-1e6).max(1e6).nullable();
/** Inputs at which a response is read, per cent of the way. */
export const PROBE_INPUTS = [25, 50, 75] as const;

const fieldSchema = z.strictObject({
  page: line(120),
  layer: z.enum(['title', 'car']),
  axes: z.array(z.custom<ShapedAxis>()),
  label: line(40).min(1, 'It has a name on the menu.'),
  role: z.custom<Role>((role) => typeof role === 'string'),
  min: asked,
  max: asked,
  step: asked,
  neutral: asked,
  unit: line(12),
  maps: z.custom<FieldMap | null>(),
  isMeasured: z.boolean(),
  isApart: z.boolean(),
  value: asked,
  /** The field's value while it was read, and what was displayed at each input, per cent. */
  probe: asked,
  shown: z.array(z.number().min(0, 'From 0 to 100.').max(100, 'From 0 to 100.').nullable()),
});
export type MenuFieldForm = z.output<typeof fieldSchema>;

/** Everything that is asked of a title's or a base's menus. */
export const menuFormSchema = z
  .strictObject({
    name: line(40).min(1, 'Its name, first of all.'),
    rotation: z.enum(['direct', 'stretch']),
    forceHz: z.number().min(10, 'From 10 to 2000.').max(2000, 'From 10 to 2000.').nullable(),
    axes: z.array(z.custom<AxisName>()),
    fields: z.array(fieldSchema).min(1, 'At least one field.').max(MOST_FIELDS),
  })
  .superRefine(({ fields }, context) => {
    fields.forEach((field, i) => {
      const fault = numbersFault(field);
      if (fault) context.addIssue({ code: 'custom', path: ['fields', i, fault.at], message: fault.words });
      for (const part of ['min', 'max', 'step'] as const)
        if (field[part] === null)
          context.addIssue({ code: 'custom', path: ['fields', i, part], message: 'It is on the menu.' });
      if (field.neutral === null && field.role !== 'lock')
        context.addIssue({ code: 'custom', path: ['fields', i, 'neutral'], message: 'As it comes.' });
      const twin = fields.findIndex((one) => isSame(one, field));
      if (twin >= 0 && twin < i)
        context.addIssue({
          code: 'custom',
          path: ['fields', i, 'role'],
          message: `${fields[twin]!.label || 'Another field'} does that already.`,
        });
    });
  });
export type MenuForm = z.output<typeof menuFormSchema>;

/** At most one field sets one thing on a layer; what is only kept may stand as often as it likes. */
const isSame = (a: DescribedField, b: DescribedField) =>
  a.role === b.role && overlap(a, b) && !(OTHER_ROLES as readonly string[]).includes(a.role);

const withoutProbe = (field: DescribedField): MenuFieldForm => ({
  ...field,
  probe: null,
  shown: PROBE_INPUTS.map(() => null),
});

/** Fields for the form; they come without readings. */
export const formFields = (fields: readonly DescribedField[]): MenuFieldForm[] => fields.map(withoutProbe);

export const emptyField = (page: string): MenuFieldForm =>
  withoutProbe({
    page,
    ...placed('wheel'),
    label: '',
    role: 'other',
    min: 0,
    max: 100,
    step: 1,
    neutral: 0,
    unit: '',
    maps: null,
    isMeasured: false,
    isApart: false,
    value: null,
  });

const PARAMETER: Partial<Record<Role, ResponseParameter>> = {
  deadzone: 'deadzone',
  saturation: 'saturation',
  linearity: 'curve',
};

/** A fit that is further off than this is no fit: something was read or typed wrongly. */
export const LARGEST_RESIDUAL = 0.03;

/** What the readings say the field means, best first. */
export function probed(field: MenuFieldForm): Probed[] {
  const parameter = PARAMETER[field.role];
  if (!parameter || !isWhole(field) || numbersFault(field) || field.neutral === null) return [];
  if (field.probe === null || field.shown.some((shown) => shown === null)) return [];
  const { label, min, max, step, neutral } = field;
  const readings = field.shown.map((shown, i) => ({ input: PROBE_INPUTS[i]! / 100, shown: shown! / 100 }));
  return probeField({ key: field.role, label, min, max, step, neutral }, parameter, field.probe, readings);
}

/** What a field means: as it was probed (now, or when it was kept), as it was said, or as it usually does. */
export function meaning(field: MenuFieldForm): { maps: FieldMap; how: 'probed' | 'said' | 'usual' } | null {
  if (!isWhole(field) || numbersFault(field)) return null;
  const best = probed(field)[0];
  if (best && best.residual <= LARGEST_RESIDUAL) return { maps: best.maps, how: 'probed' };
  if (field.maps) return { maps: field.maps, how: field.isMeasured ? 'probed' : 'said' };
  const neutral = field.neutral ?? field.max;
  return { maps: usualMaps(field.role, keyFor(field.role, new Set()), { ...field, neutral }), how: 'usual' };
}

/** The fields with what was probed of them. */
function settled(fields: readonly MenuFieldForm[]): DescribedField[] {
  return fields.map(({ probe: _, shown: __, ...field }, i) => {
    const known = meaning(fields[i]!);
    const maps = known && known.how !== 'usual' ? known.maps : null;
    return { ...field, maps, isMeasured: known?.how === 'probed' };
  });
}

/** The title that a form describes; `null` as long as a number is missing. */
export function titleOf(form: MenuForm, before: TitleDocument | null): TitleDocument | null {
  const pages = pagesOf(settled(form.fields));
  if (!pages) return null;
  const { name, rotation, forceHz } = form;
  const traits = before?.traits ?? PLAIN_TRAITS;
  const origin = before?.origin ?? 'described from its menus';
  return {
    name,
    about: before?.about ?? '',
    rotation,
    forceHz,
    pages,
    cars: null,
    tracks: null,
    traits,
    origin,
  };
}

/** The program of a base that a form describes; `null` as long as a number is missing. */
export function programOf(form: MenuForm): BaseProgram | null {
  const pages = pagesOf(settled(form.fields));
  if (!pages) return null;
  const all = pages.flatMap(({ fields }) => fields);
  const plain = ({ axes: _, neutral, unit, ...field }: (typeof all)[number]) => ({
    ...field,
    neutral: neutral ?? field.max,
    ...(unit === '' ? {} : { unit }),
  });
  const pedals = all.filter(({ axes }) => axes.some((axis) => axis !== 'steering'));
  return {
    name: form.name,
    steering: all.filter(({ axes }) => axes.includes('steering')).map(plain),
    axes: pedals.length > 0 ? form.axes : [],
    fields: pedals.map(plain),
  };
}

/** The fields of a base's program for the form. */
export function programFields({ name, steering, fields }: BaseProgram): DescribedField[] {
  const of =
    (place: 'wheel' | 'pedals') =>
    (field: BaseProgram['steering'][number]): DescribedField => ({
      page: `${name} › Settings`,
      ...placed(place),
      label: field.label,
      role: roleOf(field),
      min: field.min,
      max: field.max,
      step: field.step,
      neutral: field.neutral,
      unit: field.unit ?? '',
      maps: field.evidence === 'assumed' ? null : field.maps,
      isMeasured: field.evidence === 'measured',
      isApart: false,
      value: null,
    });
  return [...steering.map(of('wheel')), ...fields.map(of('pedals'))];
}

/** A title for the form, to be changed or copied. */
export function formOfTitle(document: TitleDocument): Pick<MenuForm, 'rotation' | 'forceHz' | 'fields'> {
  const { rotation, forceHz } = document;
  return { rotation, forceHz, fields: formFields(describedFields(document)) };
}
