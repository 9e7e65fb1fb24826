'use server';

import { z } from 'zod';
import { bringBack } from '@/data/bringBack';
import { markTypedIn } from '@/data/combination';
import { parseInput } from './parseInput';
import { readBook } from '../read/readBook';
import { command, commandHere } from './command';
import { DONE, refused, type Reply } from './reply';
import { versionText } from '../judge/card';

/** The card was typed in just now: what it said is remembered, so that a later change can be told. */
export async function cardTypedIn(isTypedIn: boolean): Promise<Reply> {
  const wanted = parseInput(z.boolean(), isTypedIn);
  if (!wanted.ok) return refused(...wanted.problems);
  return commandHere(async (here) => {
    const view = await readBook(here);
    const typedIn = { atMs: Date.now(), version: versionText(view.ready), values: view.settings };
    await markTypedIn(here.book, here.combination, wanted.value ? typedIn : null);
    return DONE;
  });
}

/** The computer's clock is right: what a clock that ran ahead has dated in the future is dated today. */
export async function dateToday(): Promise<Reply> {
  return command(async (inside) => {
    await bringBack(inside, Date.now());
    return DONE;
  });
}
