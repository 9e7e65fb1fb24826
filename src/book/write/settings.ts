'use server';

import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { combinationSchema } from '@/core/settings/scope';
import { checkChange } from '@/core/settings/menus';
import { keyText } from '@/core/settings/setting';
import { checkPutBack, effectiveSettings, valuesOf } from '@/core/settings/trail';
import { idSchema } from '@/core/text/line';
import { bookTime } from '@/data/bookTime';
import { addChanges, type RecordedEvent } from '@/data/changes';
import { parseInput } from './parseInput';
import { actionHere, command } from './command';
import { DONE, refused, type Reply } from './reply';
import { findConflicts } from './findConflicts';
import { applyInTransaction, changeSchema, openSettings } from './applyChanges';
import { openInTransaction } from './openInTransaction';
import { combinationOfBrowser, contextIn } from '../read/requestContext';

/** Books changes of the open combination on the trail: one pebble each, all of them or none. */
export const applyChanges = actionHere(z.array(changeSchema).max(200), (open, inputs) =>
  applyInTransaction(open, inputs),
);

/** Books one change. */
export async function applyChange(input: z.input<typeof changeSchema>): Promise<Reply> {
  return applyChanges([input]);
}

/** Puts a change back, from anywhere on the trail, or says why it cannot be. */
export const putBack = actionHere(idSchema, async (open, undoes) => {
  const { book } = open;
  const { combination, menus, events } = await openSettings(open);
  const allowed = checkPutBack(events, undoes);
  if (!allowed.ok) return refused(...allowed.problems);
  const event: RecordedEvent = {
    id: randomUUID(),
    atMs: await bookTime(book),
    kind: 'put-back',
    undoes,
    why: 'put back',
  };
  const { key } = allowed.value;
  const remaining = valuesOf(effectiveSettings([...events, event], combination));
  const checked = checkChange(menus, remaining, key, remaining[keyText(key)] ?? null);
  if (!checked.ok) return refused(...checked.problems);
  const conflict = await findConflicts(book, combination, [event], [allowed.value]);
  if (conflict) return refused(conflict);
  await addChanges(book, combination.rigId, [event]);
  return DONE;
});

/** Opens another combination; what belongs to the one before stays as it is. A rig opens as it was left. */
export async function changeCombination(part: Partial<z.input<typeof combinationSchema>>): Promise<Reply> {
  const wanted = parseInput(combinationSchema.partial(), part);
  if (!wanted.ok) return refused(...wanted.problems);
  const now = await combinationOfBrowser();
  return command(async (book) => {
    const here = await contextIn(book, now);
    return openInTransaction(book, here?.combination ?? null, wanted.value);
  });
}
