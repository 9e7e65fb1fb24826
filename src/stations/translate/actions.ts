'use server';

import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { ownTitleNameSchema } from '@/catalog/ownTitle';
import { dialectFieldSchema, soundDialect } from '@/core/formats/dialectJson';
import { baseProgramSchema } from '@/core/rig/rigSpec';
import { database } from '@/data/book';
import { openCombination } from '@/data/combination';
import { listTitles, saveOwnTitle } from '@/data/ownTitles';
import { describeRig, listRigs } from '@/data/rigs';
import { asked } from '../asked';
import { bookChanged } from '../bookChanged';
import { DONE, refused, type Reply } from '../reply';

const titleSchema = z.strictObject({
  name: ownTitleNameSchema,
  rotation: z.enum(['direct', 'stretch']),
  fields: z.array(dialectFieldSchema).min(1).max(12),
  steering: z.array(dialectFieldSchema).max(4),
});

/** Keeps a title that the driver described. */
export async function saveTitle(input: z.input<typeof titleSchema>): Promise<Reply> {
  const described = asked(titleSchema, input);
  if (!described.ok) return refused(...described.problems);
  const { name, rotation, fields, steering } = described.value;
  const sound = soundDialect(
    { format: 'pebble-road/dialect', version: 1, name, axis: 'steering', fields: [...steering, ...fields] },
    '',
  );
  if (!sound.ok) return refused(...sound.problems);
  const db = await database();
  const isTaken = (await listTitles(db)).all.some((title) => title.name.toLowerCase() === name.toLowerCase());
  if (isTaken)
    return refused({
      code: 'title-exists',
      message: `There is a title called ${name} already.`,
      place: {},
      remedy: 'Give it another name.',
    });
  await saveOwnTitle(db, { id: randomUUID(), name, rotation, fields, steering });
  bookChanged();
  return DONE;
}

/** Keeps what the open rig's base lets one set as its driver described it; `null` forgets it again. */
export async function saveBase(input: z.input<typeof baseProgramSchema> | null): Promise<Reply> {
  const described = asked(baseProgramSchema.nullable(), input);
  if (!described.ok) return refused(...described.problems);
  const program = described.value;
  const fields = program ? [...program.steering, ...program.fields] : [];
  if (program && fields.length > 0) {
    const sound = soundDialect(
      { format: 'pebble-road/dialect', version: 1, name: program.name, axis: 'base', fields },
      '',
    );
    if (!sound.ok) return refused(...sound.problems);
  }
  const db = await database();
  const combination = await openCombination(db);
  const rig = (await listRigs(db)).find(({ id }) => id === combination?.rigId);
  if (!rig)
    return refused({
      code: 'no-rig',
      message: 'No rig is open.',
      place: {},
      remedy: 'Choose or make a rig first.',
    });
  await describeRig(db, { ...rig, spec: { ...rig.spec, base: { ...rig.spec.base, program } } });
  bookChanged();
  return DONE;
}
