'use server';

import { z } from 'zod';
import { database } from '@/data/book';
import { markTypedIn, openCombination } from '@/data/combination';
import { asked } from '../asked';
import { bookChanged } from '../bookChanged';
import { bookView } from '../bookView';
import { DONE, refused, type Reply } from '../reply';
import { versionText } from './cardOf';

/** The card was typed in just now: what it said is remembered, so that a later change can be told. */
export async function cardTypedIn(isTypedIn: boolean): Promise<Reply> {
  const wanted = asked(z.boolean(), isTypedIn);
  if (!wanted.ok) return refused(...wanted.problems);
  const db = await database();
  const [open, view] = await Promise.all([openCombination(db), bookView()]);
  if (!open || !view)
    return refused({ code: 'no-rig', message: 'No rig is open.', place: {}, remedy: 'Choose a rig first.' });
  const typedIn = { atMs: Date.now(), version: versionText(view.ready), values: view.settings };
  await markTypedIn(db, open, wanted.value ? typedIn : null);
  bookChanged();
  return DONE;
}
