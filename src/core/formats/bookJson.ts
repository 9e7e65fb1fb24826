import { z } from 'zod';
import { captureHeadSchema } from '../axes/checkCapture';
import { proofResultsSchema } from '../axes/proof';
import { AXIS_NAMES } from '../axes/axes';
import { typedInSchema } from '../card/typedIn';
import { DECISIONS, EXPERIMENT_STATES, storedPlanSchema } from '../experiment/plan';
import { dimensionSchema } from '../experiment/planParts';
import { OUTCOMES, ratingSchema, saidSchema, softwareSchema, trialValuesSchema } from '../experiment/trial';
import { stampSchema } from '../ready/preflight';
import { rigNameSchema, rigSpecSchema } from '../rig/rigSpec';
import { rideNotesSchema, seedSchema } from '../rides/checkRide';
import { MOST_ROWS } from '../rides/clock';
import { branchSchema, combinationSchema, driverSchema } from '../settings/scope';
import { settingKeySchema, settingValuesSchema, settingValueSchema } from '../settings/setting';
import { idSchema as id, paragraph } from '../text/line';
import { atMsSchema as atMs } from '../text/time';
import { factSchema } from './factKinds';
import { jsonFormat } from './jsonFormat';
import { describedCarSchema } from './ownCarJson';
import { ownTitleSchema } from './ownTitleJson';
import { describedTrackSchema } from './trackJson';

/** Evidence or reason of a change, in words. */
export const whySchema = paragraph(1000);
/** Fingerprint of captures and settings that a final check rests on. */
const basis = z.string().max(200_000);

/** Nothing stands for every title, every car, every driver; a change that is put back has no place of its own. */
const change = z
  .strictObject({
    id,
    atMs,
    rigId: id,
    kind: z.enum(['set', 'put-back']),
    titleId: id.nullable(),
    carId: id.nullable(),
    driver: driverSchema.nullable(),
    branch: branchSchema,
    layer: settingKeySchema.shape.layer.nullable(),
    axis: settingKeySchema.shape.axis.nullable(),
    field: settingKeySchema.shape.field.nullable(),
    fromValue: settingValueSchema.nullable(),
    toValue: settingValueSchema.nullable(),
    why: whySchema,
    undoes: id.nullable(),
  })
  .refine(
    ({ kind, layer, axis, field, undoes }) =>
      kind === 'set'
        ? layer !== null && axis !== null && field !== null && undoes === null
        : undoes !== null && layer === null && axis === null && field === null,
    'a change either sets something, or puts another one back',
  );

const capture = z.strictObject({
  id,
  rigId: id,
  axis: z.enum(AXIS_NAMES),
  driver: driverSchema,
  madeAtMs: atMs,
  status: z.enum(['draft', 'kept']),
  origin: z.enum(['guided', 'file']),
  head: captureHeadSchema,
  rows: z.number().int().min(0).max(MOST_ROWS),
  /** Name of its samples in the same archive. */
  file: z.string().max(300),
});

const ride = z.strictObject({
  id,
  atMs,
  ...combinationSchema.shape,
  trackId: id,
  seed: seedSchema,
  settings: settingValuesSchema,
  mark: z.enum(['A', 'B']).nullable(),
  head: z.strictObject({ notes: rideNotesSchema }),
  file: z.string().max(300),
});

const experiment = z.strictObject({
  id,
  atMs,
  ...combinationSchema.shape,
  trackId: id,
  plan: storedPlanSchema,
  state: z.enum(EXPERIMENT_STATES),
  decision: z.enum(DECISIONS).nullable(),
});

const place = z.int().min(0).max(10_000);

const trial = z.strictObject({
  id,
  experimentId: id,
  place,
  atMs,
  outcome: z.enum(OUTCOMES),
  rideId: id.nullable(),
  values: trialValuesSchema,
  software: softwareSchema,
});

const MOST_ENTRIES = 200_000;
const list = <T extends z.ZodType>(entry: T) => z.array(entry).max(MOST_ENTRIES);

/** Everything in a book but the samples, which lie beside it as `*.capture.csv` and `*.ride.csv`. */
export const bookSchema = z.strictObject({
  madeAtMs: atMs,
  rigs: list(z.strictObject({ id, name: rigNameSchema, spec: rigSpecSchema, createdAtMs: atMs })),
  combinations: list(
    z.strictObject({ ...combinationSchema.shape, openedAtMs: atMs, typedIn: typedInSchema.nullable() }),
  ),
  facts: list(factSchema),
  ticks: list(z.strictObject({ rigId: id, titleId: id, itemId: id, atMs, state: stampSchema })),
  proofs: list(
    z.strictObject({
      id,
      rigId: id,
      titleId: id,
      driver: driverSchema,
      atMs,
      results: proofResultsSchema,
      basis,
    }),
  ),
  changes: list(change),
  ownDialects: list(
    z.discriminatedUnion('kind', [
      z.strictObject({ id, kind: z.literal('title'), atMs, document: ownTitleSchema }),
      z.strictObject({ id, kind: z.literal('car'), atMs, document: describedCarSchema }),
      z.strictObject({ id, kind: z.literal('track'), atMs, document: describedTrackSchema }),
    ]),
  ),
  captures: list(capture),
  rides: list(ride),
  experiments: list(experiment),
  trials: list(trial),
  answers: list(z.strictObject({ experimentId: id, place, atMs, said: saidSchema })),
  ratings: list(
    z.strictObject({
      experimentId: id,
      place,
      dimension: dimensionSchema,
      rating: ratingSchema,
    }),
  ),
});
export type BookDocument = z.output<typeof bookSchema>;

/** Names of the files in which recordings lie in the archive. */
export const captureFile = (id: string) => `captures/${id}.capture.csv`;
export const rideFile = (id: string) => `rides/${id}.ride.csv`;

/** Before version 2 a book asked nothing. */
const asksNothing = (book: Record<string, unknown>) => ({
  experiments: [],
  trials: [],
  answers: [],
  ratings: [],
  ...book,
});

const isRecord = (one: unknown): one is Record<string, unknown> => typeof one === 'object' && one !== null;

/** Before version 3 questions were called otherwise. */
const FIELD_WORDS = new Map<unknown, string>([
  ['tell', 'discriminate'],
  ['fine', 'jnd'],
  ['what', 'explore'],
]);
const inFieldWords = (experiment: unknown) => {
  const plan = isRecord(experiment) ? experiment['plan'] : null;
  const asked = isRecord(plan) ? plan['asked'] : null;
  const question = isRecord(asked) ? FIELD_WORDS.get(asked['question']) : undefined;
  if (!isRecord(experiment) || !isRecord(plan) || !isRecord(asked) || !question) return experiment;
  return { ...experiment, plan: { ...plan, asked: { ...asked, question } } };
};
const namesQuestions = ({ experiments, ...book }: Record<string, unknown>) => ({
  ...book,
  experiments: Array.isArray(experiments) ? experiments.map(inFieldWords) : experiments,
});

export const { read: readBookJson, write: writeBookJson } = jsonFormat({
  name: 'book',
  schema: bookSchema,
  upgrades: [asksNothing, namesQuestions],
});
