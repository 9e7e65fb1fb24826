import 'server-only';
import { reasonOf, type Problem } from '@/core/problem';
import { database } from '@/data/book';
import { unwritable } from '@/data/bookFolder';
import { openCombination } from '@/data/combination';
import type { Database } from '@/data/database';
import { listRigs } from '@/data/rigs';
import type { Rig } from '@/core/rig/rig';
import { write } from '@/data/write';
import type { Combination } from '@/core/settings/scope';
import { bookChanged, showAgain } from '../read/cachedUntilWrite';
import { refused, type Reply } from './reply';

export const NO_RIG: Problem = {
  code: 'no-rig',
  message: 'No rig is open.',
  place: {},
  remedy: 'Choose or make a rig first.',
};

/**
 * Does what a page asks of the book: in a row with all other commands, in one transaction with whatever it checks, and not
 * at all where it refuses. Only the given handle may be used inside.
 */
export async function command(work: (inside: Database) => Promise<Reply>): Promise<Reply> {
  const reply = await write(await database(), work).catch((error: unknown) => refused(notWritten(error)));
  if (reply.ok) bookChanged();
  else if (reply.problems.some(({ code }) => code === 'changed-meanwhile')) showAgain();
  return reply;
}

/** A disk that takes no more is told in words; anything else is a fault of ours. */
export function notWritten(error: unknown): Problem {
  const why = unwritable(error);
  if (why === null) throw error instanceof Error ? error : new Error(reasonOf(error));
  return {
    code: 'not-written',
    message: 'The book could not be written to.',
    place: {},
    remedy: `${why} Nothing was changed.`,
  };
}

/** What is open in a book. */
export interface Open {
  db: Database;
  combination: Combination;
  rig: Rig;
}

/** The same of the rig that is open, refused where none is. */
export function commandHere(work: (open: Open) => Promise<Reply>): Promise<Reply> {
  return command(async (db) => {
    const open = await whatIsOpen(db);
    return open ? work(open) : refused(NO_RIG);
  });
}

export async function whatIsOpen(db: Database): Promise<Open | null> {
  const combination = await openCombination(db);
  const rig = combination && (await listRigs(db)).find(({ id }) => id === combination.rigId);
  return combination && rig ? { db, combination, rig } : null;
}
