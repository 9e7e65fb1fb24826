import 'server-only';
import type { z } from 'zod';
import { reasonOf, type Problem } from '@/core/problem';
import { database } from '@/data/book';
import { unwritable } from '@/data/bookFolder';
import type { Database } from '@/data/database';
import { isLost } from '@/data/serverConnection';
import { write } from '@/data/write';
import { bookChanged, showAgain } from '../read/cachedUntilWrite';
import { combinationOfBrowser, contextIn, openInBrowser, type RequestContext } from '../read/requestContext';
import { parseInput } from './parseInput';
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
export async function command(work: (book: Database) => Promise<Reply>): Promise<Reply> {
  const reply = await write(await database(), work).catch((error: unknown) => refused(notWritten(error)));
  if (reply.ok && reply.opens) await openInBrowser(reply.opens);
  if (reply.ok) bookChanged();
  else if (reply.problems.some(({ code }) => code === 'changed-meanwhile')) showAgain();
  return reply;
}

/** A disk that takes no more, or a server that is gone, is told in words; anything else is a fault of ours. */
export function notWritten(error: unknown): Problem {
  if (isLost(error))
    return {
      code: 'not-known',
      message: 'The connection to the database was lost before it had answered.',
      place: {},
      remedy: 'Reload the page to see whether it was written; where it was not, do it again.',
    };
  const why = unwritable(error);
  if (why === null) throw error instanceof Error ? error : new Error(reasonOf(error));
  return {
    code: 'not-written',
    message: 'The book could not be written to.',
    place: {},
    remedy: `${why} Nothing was changed.`,
  };
}

/** The same at the place where the asking browser is, refused where no rig is. */
export async function commandHere(work: (here: RequestContext) => Promise<Reply>): Promise<Reply> {
  const asked = await combinationOfBrowser();
  return command(async (book) => {
    const here = await contextIn(book, asked);
    return here ? work(here) : refused(NO_RIG);
  });
}

/**
 * An action of a page: what was sent is read by its schema and refused where it is none, then done where the asking browser is.
 * Any page can send anything.
 */
export const actionHere =
  <T extends z.ZodType>(schema: T, work: (here: RequestContext, input: z.output<T>) => Promise<Reply>) =>
  async (input: z.input<T>): Promise<Reply> => {
    const given = parseInput(schema, input);
    return given.ok ? commandHere((here) => work(here, given.value)) : refused(...given.problems);
  };
