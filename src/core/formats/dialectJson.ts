import { z } from 'zod';
import { isEffectField } from '../force/coupling';
import { fail, succeed, type Outcome, type Problem } from '../problem';
import { BLEND_RANGE, GAMMA_RANGE } from '../response/curve';
import { gridCount, parameterOf, toCanonical, type MenuSchema, type MenuField } from '../response/menuSchema';
import { checkSettings, type FieldValues } from '../response/settings';
import { keySchema } from '../text/key';
import { line, quoted } from '../text/line';
import { jsonFormat } from './jsonFormat';

/** Menus of titles and bases write numbers of this size, and steps no finer than this. */
const LARGEST = 1e6;
const FINEST = 1e-6;
/** A menu that is stepped through has no more stops than this. */
export const MOST_GRID_POINTS = 10_001;

const number = z.number().min(-LARGEST).max(LARGEST);
const full = z.number().min(FINEST).max(LARGEST);
const of = keySchema;
const mapsSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('deadzone-amount'), full }),
  z.strictObject({ kind: z.literal('saturation-amount'), full, reach: z.number().positive().max(1) }),
  z.strictObject({ kind: z.literal('saturation-end'), full }),
  z.strictObject({ kind: z.literal('gamma-direct') }),
  z.strictObject({
    kind: z.literal('gamma-log'),
    base: z.number().gt(1).max(GAMMA_RANGE[1]),
    half: full,
    sign: z.union([z.literal(1), z.literal(-1)]),
  }),
  z.strictObject({ kind: z.literal('blend'), full }),
  z.strictObject({ kind: z.literal('degrees'), of }),
  z.strictObject({ kind: z.literal('fraction'), of, full }),
  z.strictObject({ kind: z.literal('gain'), of }),
  z.strictObject({ kind: z.literal('torque'), of }),
]);

export const dialectFieldSchema = z.strictObject({
  key: keySchema,
  label: line(120),
  min: number,
  max: number,
  step: z
    .number()
    .min(FINEST)
    .max(2 * LARGEST),
  neutral: number,
  maps: mapsSchema,
  apart: z.literal(true).exactOptional(),
});

const dialectSchema = z.strictObject({
  name: line(120).min(1, 'a dialect needs a name'),
  axis: line(60),
  fields: z.array(dialectFieldSchema).min(1).max(60),
});

const dialectFile = jsonFormat({
  name: 'dialect',
  schema: dialectSchema,
  sound: (document) => soundDialect(document, ''),
});
/** Reads a `*.dialect.json`, and refuses one whose fields contradict each other. */
export const readDialectJson: (text: string) => Outcome<MenuSchema> = dialectFile.read;
export const writeDialectJson = (dialect: MenuSchema): string => dialectFile.write(plainDialect(dialect));

/** A dialect inside another file, with its own head. */
const head = { format: dialectFile.format, version: dialectFile.version };
export const dialectInsideSchema = dialectSchema
  .extend({ format: z.literal(head.format), version: z.literal(head.version) })
  .transform(({ format: _, version: __, ...dialect }) => dialect);
export const dialectInside = (dialect: MenuSchema) => ({ ...head, ...plainDialect(dialect) });

const settingsSchema = z.strictObject({
  dialect: dialectInsideSchema,
  values: z.record(z.string(), z.number()),
});

export interface Settings {
  dialect: MenuSchema;
  values: FieldValues;
}

/** Reads settings: a dialect and a value for each of its fields. */
export const readSettingsJson: (text: string) => Outcome<Settings> = jsonFormat({
  name: 'settings',
  schema: settingsSchema,
  sound: soundSettings,
}).read;

function soundSettings({ dialect: document, values }: Settings): Outcome<Settings> {
  const dialect = soundDialect(document, 'dialect.');
  if (!dialect.ok) return dialect;
  const problems = wrongKeys(dialect.value, values);
  if (problems.length > 0) return fail(...problems);
  const checked = checkSettings(dialect.value, values);
  return checked.ok ? succeed({ dialect: dialect.value, values }) : fail(...checked.problems);
}

function wrongKeys(dialect: MenuSchema, values: FieldValues): Problem[] {
  const known = dialect.fields.map((field) => field.key);
  const problem = (key: string, code: string, message: string): Problem => ({
    code,
    message,
    place: { column: `values.${quoted(key).slice(1, -1)}` },
    remedy: `The fields are: ${known.join(', ')}.`,
  });
  return [
    ...Object.keys(values)
      .filter((key) => !known.includes(key))
      .map((key) => problem(key, 'unknown-key', `The key ${quoted(key)} is not known here.`)),
    ...known
      .filter((key) => !Object.hasOwn(values, key))
      .map((key) => problem(key, 'missing-key', `The value of "${key}" is missing.`)),
  ];
}

/** A step divides a range where the last grid value meets its end this well. */
const DIVIDES = 1e-6;

/** Keys once, ranges that rise, steps that divide them, neutrals inside, at most one field per parameter. */
export function soundDialect(document: MenuSchema, path: string): Outcome<MenuSchema> {
  const { name, axis, fields } = document;
  const problems: Problem[] = [];
  const say = (i: number, key: string, code: string, message: string, remedy: string) =>
    problems.push({ code, message, place: { column: `${path}fields[${i}].${key}` }, remedy });
  fields.forEach((field, i) => {
    const { key, min, max, step, neutral, maps } = field;
    if (fields.findIndex((f) => f.key === key) < i)
      say(i, 'key', 'key-twice', `The key "${key}" stands twice.`, 'Give every field its own key.');
    if (!(max > min))
      say(i, 'max', 'bad-range', `The range runs from ${min} to ${max}.`, 'max must lie above min.');
    else if ((max - min) / step > MOST_GRID_POINTS - 1 + DIVIDES)
      say(
        i,
        'step',
        'too-fine',
        `Steps of ${step} make ${Math.round((max - min) / step) + 1} stops from ${min} to ${max}.`,
        `A field has at most ${MOST_GRID_POINTS}; give the step of the title's own menu.`,
      );
    else if (Math.abs((max - min) / step - (gridCount(field) - 1)) > DIVIDES)
      say(
        i,
        'step',
        'bad-step',
        `The step ${step} does not divide ${min} to ${max}.`,
        'Correct step, min or max.',
      );
    if (field.apart && !isEffectField(maps))
      say(
        i,
        'apart',
        'not-an-effect',
        `"${key}" adds no effect to the force.`,
        'Only an effect stands beside the gain: leave "apart" out.',
      );
    if (neutral < min || neutral > max)
      say(
        i,
        'neutral',
        'neutral-outside',
        `The neutral ${neutral} lies outside ${min} to ${max}.`,
        'Correct it.',
      );
    if (maps.kind === 'gain' && neutral === 0)
      say(
        i,
        'neutral',
        'neutral-zero',
        'A gain is counted from its neutral, which is 0.',
        'Give the value at which it is 1.',
      );
    const beyond = max > min ? beyondMeaning(field) : null;
    if (beyond)
      say(
        i,
        'maps',
        'beyond-meaning',
        `${quoted(field.label || key)} ${beyond}.`,
        'Correct min, max or maps.',
      );
    const twin = fields.findIndex((f) => parameterOf(f.maps) === parameterOf(maps));
    if (twin < i)
      say(
        i,
        'maps',
        'mapped-twice',
        `"${fields[twin]!.key}" and "${key}" both set the ${parameterOf(maps)}.`,
        'At most one field sets one parameter.',
      );
  });
  return problems.length > 0 ? fail(...problems) : succeed({ name, axis, fields });
}

/** What a response's parameters can be (computation of the response, conventions): a field must not reach beyond. */
const MEANINGS: Partial<Record<MenuField['maps']['kind'], { what: string; from: number; to: number }>> = {
  'deadzone-amount': { what: 'a dead zone', from: 0, to: 1 },
  'saturation-amount': { what: 'a saturation point', from: 0, to: 1 },
  'saturation-end': { what: 'a saturation point', from: 0, to: 1 },
  'gamma-direct': { what: 'an exponent', from: GAMMA_RANGE[0], to: GAMMA_RANGE[1] },
  'gamma-log': { what: 'an exponent', from: GAMMA_RANGE[0], to: GAMMA_RANGE[1] },
  blend: { what: 'a share of a cube', from: BLEND_RANGE[0], to: BLEND_RANGE[1] },
};
const ROUNDING = 1e-9;

/** Where one end of a field means something that no response can be, in words. */
function beyondMeaning(field: MenuField): string | null {
  const meaning = MEANINGS[field.maps.kind];
  if (!meaning) return null;
  const { what, from, to } = meaning;
  for (const end of [field.min, field.max]) {
    const means = toCanonical(field, end);
    if (!(means >= from - ROUNDING && means <= to + ROUNDING))
      return `${end} would be ${what} of ${Number(means.toPrecision(4))}, which lies outside ${from} to ${to}`;
  }
  return null;
}

/** A dialect as files hold it: its numbers and what they mean. */
function plainDialect({ name, axis, fields }: MenuSchema): MenuSchema {
  return { name, axis, fields: fields.map(({ unit: _, ...field }) => field) };
}
