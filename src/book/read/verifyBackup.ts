import 'server-only';
import { z } from 'zod';
import { simulatedRigById } from '@/catalog/find';
import { schemaProblem } from '@/core/formats/schemaProblem';
import { describeProblem, reasonOf } from '@/core/problem';
import { listCombinations } from '@/data/combination';
import type { Database } from '@/data/database';
import { listRigs } from '@/data/rigs';
import { contextIn } from './requestContext';
import { readBook } from './readBook';
import type { Combination } from '@/core/settings/scope';
import { yieldToEventLoop } from '@/data/yieldToEventLoop';

/**
 * Reads a book as its pages would, combination by combination, so that what cannot be shown is found before it takes the
 * other's place. Others get their turn between two.
 * @param progress is told how many of them were looked at; where it throws, the looking ends
 * @throws Error that says which part of it could not be shown, and why
 */
export async function verifyBackup(
  db: Database,
  progress: (done: number, of: number) => void = () => undefined,
): Promise<void> {
  let what = 'its rigs';
  try {
    for (const { name, spec } of await listRigs(db)) {
      what = `the rig ${name}`;
      if (spec.device.kind === 'simulated') simulatedRigById(spec.device.rig);
    }
    what = 'what was open last';
    await look(db, null);
    const known = await listCombinations(db);
    for (const [i, one] of known.entries()) {
      what = `${one.titleId} with ${one.carId}, ${one.driver}`;
      await look(db, one);
      progress(i + 1, known.length);
      await yieldToEventLoop();
    }
  } catch (error) {
    const issue = error instanceof z.ZodError ? error.issues[0] : undefined;
    const reason = issue ? describeProblem({ ...schemaProblem(issue), remedy: '' }).trim() : reasonOf(error);
    throw new Error(`${what} could not be shown (${reason})`);
  }
}

async function look(book: Database, at: Combination | null): Promise<void> {
  const here = await contextIn(book, at);
  if (here) await readBook(here);
}
