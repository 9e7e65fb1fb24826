import { z } from 'zod';
import { AXIS_NAMES } from '../axes/axes';
import { fail, succeed, type Outcome } from '../problem';
import { LAYERS } from '../settings/setting';
import type { SetAxis } from '../settings/transferSettings';
import { checkSettings } from '../response/settings';
import { line, paragraph } from '../text/line';
import { atMsSchema } from '../text/time';
import { dialectInside, dialectInsideSchema, soundDialect } from './dialectJson';
import { jsonFormat } from './jsonFormat';

const words = line(400);

const packSchema = z.strictObject({
  name: line(200).min(1, 'a pack needs a name'),
  rig: words,
  title: words,
  car: words,
  driver: words,
  /** What the numbers were made for. */
  hardware: z.strictObject({
    drive: words,
    torqueNm: z.number().positive().max(1000).nullable(),
    maxRotationDeg: z.number().positive().max(100_000).nullable(),
  }),
  /** Every axis on every layer, with the dialect that its numbers are written in. */
  settings: z
    .array(
      z.strictObject({
        layer: z.enum(LAYERS),
        axis: z.enum(AXIS_NAMES),
        dialect: dialectInsideSchema,
        values: z.record(z.string(), z.number()),
        points: z
          .array(z.tuple([z.number().min(0).max(1), z.number().min(0).max(1)]))
          .max(12)
          .nullable(),
      }),
    )
    .max(40),
  /** Where each value comes from. */
  provenance: z
    .array(z.strictObject({ setting: words, value: words, why: paragraph(4000), atMs: atMsSchema }))
    .max(1000),
  calibration: z.array(words).max(40),
  notes: paragraph(8000),
});

export type Pack = Omit<z.output<typeof packSchema>, 'settings'> & { settings: SetAxis[] };

const packFile = jsonFormat({ name: 'pack', schema: packSchema });

/** Reads a `*.profile.json` that somebody shares: settings on every layer with the dialects they are written in. */
export function readPackJson(text: string): Outcome<Pack> {
  const read = packFile.read(text);
  if (!read.ok) return read;
  const { settings, ...pack } = read.value;
  const sound: SetAxis[] = [];
  for (const [i, { dialect: document, ...set }] of settings.entries()) {
    const dialect = soundDialect(document, `settings[${i}].dialect.`);
    if (!dialect.ok) return dialect;
    const checked = checkSettings(dialect.value, set.values);
    if (!checked.ok)
      return fail(
        ...checked.problems.map((p) => ({ ...p, place: { ...p.place, column: `settings[${i}].values` } })),
      );
    sound.push({ ...set, dialect: dialect.value });
  }
  return succeed({ ...pack, settings: sound });
}

export function writePackJson(pack: Pack): string {
  const settings = pack.settings.map(({ dialect, ...set }) => ({
    ...set,
    dialect: dialectInside(dialect),
  }));
  return packFile.write({ ...pack, settings });
}
