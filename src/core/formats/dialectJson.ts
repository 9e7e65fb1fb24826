import { z } from 'zod';
import { fail, succeed, type Outcome, type Problem } from '../problem';
import { gridCount, parameterOf, type Dialect } from '../response/dialect';
import { checkSettings, type FieldValues } from '../response/settings';
import { readDocument } from './jsonDocument';

const full = z.number().positive();
const of = z.string().min(1).max(60);
const mapsSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('deadzone-amount'), full }),
  z.strictObject({ kind: z.literal('saturation-amount'), full, reach: z.number().positive().max(1) }),
  z.strictObject({ kind: z.literal('saturation-end'), full }),
  z.strictObject({ kind: z.literal('gamma-direct') }),
  z.strictObject({
    kind: z.literal('gamma-log'),
    base: z.number().gt(1),
    half: z.number().positive(),
    sign: z.union([z.literal(1), z.literal(-1)]),
  }),
  z.strictObject({ kind: z.literal('blend'), full }),
  z.strictObject({ kind: z.literal('degrees'), of }),
  z.strictObject({ kind: z.literal('fraction'), of, full }),
  z.strictObject({ kind: z.literal('gain'), of }),
  z.strictObject({ kind: z.literal('torque'), of }),
]);

export const dialectFieldSchema = z.strictObject({
  key: z.string().min(1).max(60),
  label: z.string().max(120),
  min: z.number(),
  max: z.number(),
  step: z.number().positive(),
  neutral: z.number(),
  maps: mapsSchema,
});

export const DIALECT_FORMAT = 'pebble-road/dialect';
export const SETTINGS_FORMAT = 'pebble-road/settings';

export const dialectSchema = z.strictObject({
  format: z.literal(DIALECT_FORMAT),
  version: z.literal(1),
  name: z.string().min(1).max(120),
  axis: z.string().max(60),
  fields: z.array(dialectFieldSchema).min(1).max(60),
});

const settingsSchema = z.strictObject({
  format: z.literal(SETTINGS_FORMAT),
  version: z.literal(1),
  dialect: dialectSchema,
  values: z.record(z.string(), z.number()),
});

/** Reads a `*.dialect.json`, and refuses one whose fields contradict each other. */
export function readDialectJson(text: string): Outcome<Dialect> {
  const read = readDocument(text, dialectSchema, DIALECT_FORMAT);
  return read.ok ? soundDialect(read.value, '') : read;
}

export interface Settings {
  dialect: Dialect;
  values: FieldValues;
}

/** Reads settings: a dialect and a value for each of its fields. */
export function readSettingsJson(text: string): Outcome<Settings> {
  const read = readDocument(text, settingsSchema, SETTINGS_FORMAT);
  if (!read.ok) return read;
  const { dialect: document, values } = read.value;
  const dialect = soundDialect(document, 'dialect.');
  if (!dialect.ok) return dialect;
  const problems = wrongKeys(dialect.value, values);
  if (problems.length > 0) return fail(...problems);
  const checked = checkSettings(dialect.value, values);
  return checked.ok ? succeed({ dialect: dialect.value, values }) : fail(...checked.problems);
}

function wrongKeys(dialect: Dialect, values: FieldValues): Problem[] {
  const known = dialect.fields.map((field) => field.key);
  const problem = (key: string, code: string, message: string): Problem => ({
    code,
    message,
    place: { column: `values.${key}` },
    remedy: `The fields are: ${known.join(', ')}.`,
  });
  return [
    ...Object.keys(values)
      .filter((key) => !known.includes(key))
      .map((key) => problem(key, 'unknown-key', `The key "${key}" is not known here.`)),
    ...known
      .filter((key) => values[key] === undefined)
      .map((key) => problem(key, 'missing-key', `The value of "${key}" is missing.`)),
  ];
}

/** A step divides a range where the last grid value meets its end this well. */
const DIVIDES = 1e-6;

/** Keys once, ranges that rise, steps that divide them, neutrals inside, at most one field per parameter. */
export function soundDialect(document: z.output<typeof dialectSchema>, path: string): Outcome<Dialect> {
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
    else if (Math.abs((max - min) / step - (gridCount(field) - 1)) > DIVIDES)
      say(
        i,
        'step',
        'bad-step',
        `The step ${step} does not divide ${min} to ${max}.`,
        'Correct step, min or max.',
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

export function writeDialectJson(dialect: Dialect): string {
  return `${JSON.stringify({ format: DIALECT_FORMAT, version: 1, ...dialect }, null, 2)}\n`;
}
