import 'server-only';
import { z } from 'zod';
import { simulatedRigById } from '@/catalog/find';
import { schemaProblem } from '@/core/formats/schemaProblem';
import { describeProblem, reasonOf } from '@/core/problem';
import { listCombinations } from '@/data/combination';
import type { Database } from '@/data/openBook';
import { listRigs } from '@/data/rigs';
import { readBook } from '../bookView';

/**
 * Reads a book as its pages would, combination by combination, so that what cannot be shown is found before it takes the
 * other's place.
 * @throws Error that says which part of it could not be shown, and why
 */
export async function lookThrough(db: Database): Promise<void> {
  let what = 'its rigs';
  try {
    for (const { name, spec } of await listRigs(db)) {
      what = `the rig ${name}`;
      if (spec.device.kind === 'simulated') simulatedRigById(spec.device.rig);
    }
    what = 'what was open last';
    await readBook(db);
    for (const known of await listCombinations(db)) {
      what = `${known.titleId} with ${known.carId}, ${known.driver}`;
      await readBook(db, known);
    }
  } catch (error) {
    const issue = error instanceof z.ZodError ? error.issues[0] : undefined;
    const reason = issue ? describeProblem({ ...schemaProblem(issue), remedy: '' }).trim() : reasonOf(error);
    throw new Error(`${what} could not be shown (${reason})`);
  }
}
