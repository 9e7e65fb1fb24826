'use server';

import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { proofResultsSchema } from '@/core/axes/proof';
import { AXIS_NAMES } from '@/core/axes/axes';
import { idSchema } from '@/core/text/line';
import { bookTime } from '@/data/bookTime';
import { discardDraft as discard, removeCapture as remove } from '@/data/captures';
import { addProof } from '@/data/readiness';
import { parseInput } from './parseInput';
import { readBook } from '../read/readBook';
import { actionHere, commandHere } from './command';
import { DONE, refused, type Reply } from './reply';

/** Throws the open draft of an axis away; the kept captures stay. */
export const discardDraft = actionHere(
  z.enum(AXIS_NAMES),
  async ({ book, combination: { rigId, driver } }, axis) => {
    await discard(book, { rigId, axis, driver });
    return DONE;
  },
);

/** Takes a capture out of the open rig's history. */
export const removeCapture = actionHere(idSchema, async ({ book, rig }, id) => {
  await remove(book, rig.id, id);
  return DONE;
});

/**
 * Signs the final check: what every axis showed.
 * @param seen the fingerprint of captures and settings that the check was made with, as the page had it
 */
export async function signProof(results: z.input<typeof proofResultsSchema>, seen?: string): Promise<Reply> {
  const wanted = parseInput(z.strictObject({ results: proofResultsSchema, seen: z.string().optional() }), {
    results,
    seen,
  });
  if (!wanted.ok) return refused(...wanted.problems);
  return commandHere(async (here) => {
    const { book, combination } = here;
    const view = await readBook(here);
    if (wanted.value.seen !== undefined && wanted.value.seen !== view.proofBasis)
      return refused({
        code: 'changed-meanwhile',
        message: 'A setting or a capture was changed while the axes were checked.',
        place: {},
        remedy: 'Nothing was signed. Make the check again, as everything is now.',
      });
    await addProof(book, combination, {
      id: randomUUID(),
      atMs: await bookTime(book),
      results: wanted.value.results,
      basis: view.proofBasis,
    });
    return DONE;
  });
}
