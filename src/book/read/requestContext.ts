import 'server-only';
import { cookies } from 'next/headers';
import type { Rig } from '@/core/rig/rig';
import type { Combination } from '@/core/settings/scope';
import { isKnown, lastOpened } from '@/data/combination';
import type { Database } from '@/data/database';
import { listRigs } from '@/data/rigs';
import { combinationOf, HERE_COOKIE, HERE_MAX_AGE_S, hereText } from '../model/here';

/** Where somebody is: which book, which combination of it, and its rig. Every reader and command is told, none looks it up. */
export interface RequestContext {
  book: Database;
  combination: Combination;
  rig: Rig;
}

/** The combination that the asking browser has open, as far as it says so. */
export async function combinationOfBrowser(): Promise<Combination | null> {
  return combinationOf((await cookies()).get(HERE_COOKIE)?.value);
}

/** From now on the asking browser has this one open; others keep theirs. */
export async function openInBrowser(combination: Combination): Promise<void> {
  (await cookies()).set(HERE_COOKIE, hereText(combination), {
    path: '/',
    maxAge: HERE_MAX_AGE_S,
    sameSite: 'strict',
  });
}

/**
 * The place that a browser asks for in a book. One that asks for none, or for one that the book does not know (another book
 * took its place), is where the book was left last; `null` where no rig is in it yet.
 */
export async function contextIn(book: Database, asked: Combination | null): Promise<RequestContext | null> {
  const combination = asked && (await isKnown(book, asked)) ? asked : await lastOpened(book);
  const rig = combination && (await listRigs(book)).find(({ id }) => id === combination.rigId);
  return combination && rig ? { book, combination, rig } : null;
}
