'use server';

import { z } from 'zod';
import { buttonMapSchema } from '@/core/buttons/buttonMap';
import { PADDLE_MODES } from '@/core/rig/rigSpec';
import { MOST_BUTTONS, rimButtonSchema } from '@/core/rig/rimButton';
import { line } from '@/core/text/line';
import { saveButtonMap } from '@/data/buttons';
import { actionHere } from './command';
import { describeInTransaction } from './describeInTransaction';
import { DONE } from './reply';

const rimSchema = z.strictObject({
  buttons: z
    .array(rimButtonSchema)
    .max(MOST_BUTTONS)
    .refine((all) => new Set(all.map(({ index }) => index)).size === all.length, 'a button stands there once')
    .refine(
      (all) => new Set(all.map(({ name }) => name.toLowerCase())).size === all.length,
      'two buttons have the same name',
    ),
  paddleMode: z.enum(PADDLE_MODES),
  fields: z
    .array(z.strictObject({ label: line(40).min(1, 'a field needs a name'), value: line(60) }))
    .max(20),
});

/** Writes down what the open rig's rim has. */
export const saveRim = actionHere(rimSchema, ({ book, rig }, input) =>
  describeInTransaction(book, rig, { ...rig.spec, rim: { ...rig.spec.rim, ...input } }),
);

/** Writes down what the buttons do in the open title. */
export const saveMap = actionHere(buttonMapSchema, async ({ book, combination }, input) => {
  await saveButtonMap(book, combination, input);
  return DONE;
});
