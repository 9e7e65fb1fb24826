import { z } from 'zod';
import { AXIS_NAMES, type AxisName } from '../axes/axes';
import { fail, succeed, type Outcome, type Problem } from '../problem';
import { gridPoint, type MenuField } from '../response/menuSchema';
import { MOST_FIELDS } from '../titles/pastedMenu';
import { idSchema, line } from '../text/line';
import { dialectFieldSchema, soundDialect } from './dialectJson';
import { jsonFormat } from './jsonFormat';
import { schemaProblem } from './schemaProblem';

/** Axes that a title gives a response of its own; a shifter has none. */
export type ShapedAxis = Exclude<AxisName, 'gear'>;
export const SHAPED_AXES = AXIS_NAMES.filter((axis): axis is ShapedAxis => axis !== 'gear');
const shaped = z.enum(SHAPED_AXES as [ShapedAxis, ...ShapedAxis[]]);

/** A field as it stands on a page: for which axes, in which unit, and how well it is known what its numbers mean. */
const titleFieldSchema = dialectFieldSchema.extend({
  axes: z.array(shaped).min(1, 'a field stands on one control at least').max(SHAPED_AXES.length),
  unit: line(12).default(''),
  /** Of what its numbers mean: probed, given, or taken as is usual. */
  evidence: z.enum(['measured', 'described', 'assumed']),
  /** `null`: at each car's own lock. */
  neutral: dialectFieldSchema.shape.neutral.nullable(),
});
export type TitleField = z.output<typeof titleFieldSchema>;

const pageSchema = z.strictObject({
  path: line(120).min(1, 'a page has a name'),
  /** What is set for every car, or for one alone. */
  layer: z.enum(['title', 'car']),
  /** Its controls, in the order in which they stand there. */
  axes: z.array(shaped).min(1).max(SHAPED_AXES.length),
  fields: z.array(titleFieldSchema).min(1, 'a page has a field').max(MOST_FIELDS),
});
export type TitlePage = z.output<typeof pageSchema>;

export const titleNameSchema = line(40).min(1, 'a title needs a name');

/** What is taken for pre-flight where nobody said anything of it. */
export const PLAIN_TRAITS = {
  ownProgram: 'either',
  mode: 'plain',
  bindsInOwnPreset: false,
  quickSweep: false,
} as const;

/** A title as its menus show it: built in, or described by its driver. */
export const titleDocumentSchema = z.strictObject({
  name: titleNameSchema,
  about: line(200).default(''),
  /** Passes the base's rotation on against its own setting, or stretches it over the car's lock and has none. */
  rotation: z.enum(['direct', 'stretch']),
  /** How often it gives a new force, Hz; `null` where nobody knows. */
  forceHz: z.number().min(10).max(2000).nullable(),
  pages: z.array(pageSchema).min(1, 'a title has a page of menus').max(40),
  /** Cars and roads of it by their ids; `null` for every one that is known. */
  cars: z.array(idSchema).min(1).max(200).nullable().default(null),
  tracks: z.array(idSchema).min(1).max(200).nullable().default(null),
  traits: z
    .strictObject({
      ownProgram: z.enum(['open', 'shut', 'either']),
      mode: line(20),
      bindsInOwnPreset: z.boolean(),
      quickSweep: z.boolean(),
    })
    .default(PLAIN_TRAITS),
  /** Who described it, from what. */
  origin: line(200).default(''),
});
export type TitleDocument = z.output<typeof titleDocumentSchema>;

/** A `*.title.json`; one whose fields contradict each other is refused. */
export const { read: readTitleJson, write: writeTitleJson } = jsonFormat({
  name: 'title',
  schema: titleDocumentSchema,
  sound: soundTitle,
});

/** Reads a title's document as the book holds it or a page sends it. */
export function readTitleDocument(input: unknown): Outcome<TitleDocument> {
  const read = titleDocumentSchema.safeParse(input);
  if (!read.success) return fail(...read.error.issues.slice(0, 3).map((issue) => schemaProblem(issue)));
  return soundTitle(read.data);
}

/** The fields of an axis on a layer, in the order of the pages; a neutral that is the car's own is put in. */
export function fieldsOn(
  { pages }: Pick<TitleDocument, 'pages'>,
  layer: TitlePage['layer'],
  axis: ShapedAxis,
  lockDeg: number,
): MenuField[] {
  return pages
    .filter((page) => page.layer === layer)
    .flatMap(({ fields }) => fields.filter(({ axes }) => axes.includes(axis)))
    .map(({ axes: _, evidence: __, unit, neutral, ...field }) => ({
      ...field,
      neutral: neutral ?? lockNeutral(field, lockDeg),
      ...(unit === '' ? {} : { unit }),
    }));
}

/** A car's own lock on the grid of a menu, as near as it goes. */
export const lockNeutral = (field: Pick<MenuField, 'min' | 'max' | 'step'>, lockDeg: number): number =>
  gridPoint(field, Math.round((lockDeg - field.min) / field.step));

const ANY_LOCK_DEG = 900;

/** What each axis would be told is free of contradictions; faults are said where the field stands. */
function soundTitle(document: TitleDocument): Outcome<TitleDocument> {
  for (const layer of ['title', 'car'] as const)
    for (const axis of SHAPED_AXES) {
      const fields = fieldsOn(document, layer, axis, ANY_LOCK_DEG);
      if (fields.length === 0) continue;
      const sound = soundDialect({ name: document.name, axis, fields }, '');
      if (!sound.ok) return fail(...sound.problems.map((one) => placed(one, document, fields)));
    }
  const lost = document.pages
    .flatMap(({ fields }) => fields)
    .find((one) => one.neutral === null && !isLock(one));
  if (lost)
    return fail({
      code: 'no-neutral',
      message: `${lost.label} has no neutral.`,
      place: { column: lost.key },
      remedy: 'Only a bump stop may come at each car’s own lock.',
    });
  return succeed(document);
}

const isLock = ({ maps }: TitleField) => maps.kind === 'degrees' && maps.of === 'lock';

/** Where the field of a problem stands: its page and its label. */
function placed(problem: Problem, { pages }: TitleDocument, fields: readonly MenuField[]): Problem {
  const index = /^fields\[(\d+)\]/.exec(problem.place.column ?? '');
  const field = index && fields[Number(index[1])];
  const page = field && pages.find((one) => one.fields.some(({ key }) => key === field.key));
  return field && page
    ? { ...problem, place: { column: `${page.path} › ${field.label || field.key}` } }
    : problem;
}
