'use server';

import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { wayBack, effectiveSettings } from '@/core/settings/trail';
import { usualScope } from '@/core/settings/scope';
import { database } from '@/data/book';
import { bookTime } from '@/data/bookTime';
import { addChanges, listChanges, type RecordedEvent } from '@/data/changes';
import { chooseCombination, listCombinations, openCombination } from '@/data/combination';
import { asked } from '../asked';
import { bookChanged } from '../bookChanged';
import { DONE, refused, type Reply } from '../reply';
import { spoiltBy } from '../spoilt';

const problem = (code: string, message: string, remedy: string) =>
  refused({ code, message, place: {}, remedy });
const NOTHING_OPEN = problem('no-rig', 'No rig is open.', 'Choose or make a rig first.');

/** Opens a branch that begins with everything as it is now. */
export async function branchOff(wanted: string): Promise<Reply> {
  const name = asked(z.string().trim().min(1).max(40), wanted);
  if (!name.ok) return refused(...name.problems);
  const branch = name.value;
  const db = await database();
  const open = await openCombination(db);
  if (!open) return NOTHING_OPEN;
  const next = { ...open, branch };
  const known = await listCombinations(db);
  const isTaken = known.some(
    (c) =>
      c.rigId === next.rigId &&
      c.titleId === next.titleId &&
      c.carId === next.carId &&
      c.driver === next.driver &&
      c.branch === branch,
  );
  if (isTaken)
    return problem('branch-exists', `There is a branch “${branch}” already.`, 'Give it another name.');
  const now = effectiveSettings(await listChanges(db, open.rigId), open);
  const from = open.branch ? `the branch “${open.branch}”` : 'the main one';
  const atMs = await bookTime(db);
  await addChanges(
    db,
    open.rigId,
    [...now.values()].map(({ key, value }): RecordedEvent => {
      const scope = { ...usualScope(key.layer, next), titleId: next.titleId };
      return {
        id: randomUUID(),
        atMs,
        kind: 'set',
        scope,
        key,
        from: null,
        to: value,
        why: `Branched from ${from}.`,
      };
    }),
  );
  await chooseCombination(db, next);
  bookChanged();
  return DONE;
}

/** Sets everything as it was right after a change; what came since stays on the trail. */
export async function restoreMoment(changeId: string): Promise<Reply> {
  const wanted = asked(z.string().max(80), changeId);
  if (!wanted.ok) return refused(...wanted.problems);
  const momentId = wanted.value;
  const db = await database();
  const open = await openCombination(db);
  if (!open) return NOTHING_OPEN;
  const events = await listChanges(db, open.rigId);
  if (!events.some((event) => event.id === momentId))
    return problem('no-such-change', 'There is no such change on the trail.', 'Reload the page.');
  const back = wayBack(events, open, momentId);
  const atMs = await bookTime(db);
  const news = back.map((step) => ({
    ...step,
    id: randomUUID(),
    atMs,
    kind: 'set' as const,
    why: 'Everything as it was at an earlier moment.',
  }));
  const spoilt = await spoiltBy(db, open, news);
  if (spoilt) return refused(spoilt);
  await addChanges(db, open.rigId, news);
  if (back.length > 0) bookChanged();
  return DONE;
}
