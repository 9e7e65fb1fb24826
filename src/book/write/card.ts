'use server';

import { z } from 'zod';
import { bringBack } from '@/data/bringBack';
import { markTypedIn } from '@/data/combination';
import { readBook } from '../read/readBook';
import { actionHere, command } from './command';
import { DONE, type Reply } from './reply';
import { versionText } from '../judge/card';

/** The card was typed in just now: what it said is remembered, so that a later change can be told. */
export const cardTypedIn = actionHere(z.boolean(), async (here, isTypedIn) => {
  const view = await readBook(here);
  const typedIn = { atMs: Date.now(), version: versionText(view.ready), values: view.settings };
  await markTypedIn(here.book, here.combination, isTypedIn ? typedIn : null);
  return DONE;
});

/** The computer's clock is right: what a clock that ran ahead has dated in the future is dated today. */
export async function dateToday(): Promise<Reply> {
  return command(async (inside) => {
    await bringBack(inside, Date.now());
    return DONE;
  });
}
