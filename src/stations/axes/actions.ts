'use server';

import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { AXIS_NAMES } from '@/core/axes/recording';
import { database } from '@/data/book';
import { bookTime } from '@/data/bookTime';
import { discardDraft as discard, removeCapture as remove } from '@/data/captures';
import { openCombination } from '@/data/combination';
import { addProof, proofResultsSchema } from '@/data/readiness';
import { asked } from '../asked';
import { bookChanged } from '../bookChanged';
import { bookView } from '../bookView';
import { DONE, refused, type Reply } from '../reply';

const NOTHING_OPEN = refused({
  code: 'no-rig',
  message: 'No rig is open.',
  place: {},
  remedy: 'Choose a rig first.',
});

/** Throws the open draft of an axis away; the kept captures stay. */
export async function discardDraft(axis: string): Promise<Reply> {
  const db = await database();
  const scope = await openCombination(db);
  if (!scope) return NOTHING_OPEN;
  const wanted = asked(z.enum(AXIS_NAMES), axis);
  if (!wanted.ok) return refused(...wanted.problems);
  await discard(db, { rigId: scope.rigId, axis: wanted.value, driver: scope.driver });
  bookChanged();
  return DONE;
}

/** Takes a capture out of the open rig's history. */
export async function removeCapture(id: string): Promise<Reply> {
  const db = await database();
  const scope = await openCombination(db);
  if (!scope) return NOTHING_OPEN;
  const wanted = asked(z.string().max(60), id);
  if (!wanted.ok) return refused(...wanted.problems);
  await remove(db, scope.rigId, wanted.value);
  bookChanged();
  return DONE;
}

/** Signs the final check: what every axis showed, for the captures and settings as they are. */
export async function signProof(results: z.input<typeof proofResultsSchema>): Promise<Reply> {
  const parsed = proofResultsSchema.safeParse(results);
  if (!parsed.success)
    return refused({
      code: 'bad-proof',
      message: 'The check is not whole.',
      place: {},
      remedy: 'Make it again.',
    });
  const view = await bookView();
  if (!view) return NOTHING_OPEN;
  const db = await database();
  await addProof(db, view.combination, {
    id: randomUUID(),
    atMs: await bookTime(db),
    results: parsed.data,
    basis: view.proofBasis,
  });
  bookChanged();
  return DONE;
}
