'use server';

import { randomUUID } from 'node:crypto';
import { branchSchema, combinationText, usualScope } from '@/core/settings/scope';
import { effectiveSettings, wayBack } from '@/core/settings/trail';
import { idSchema } from '@/core/text/line';
import { bookTime } from '@/data/bookTime';
import { addChanges, listChanges, type RecordedEvent } from '@/data/changes';
import { chooseCombination, listCombinations } from '@/data/combination';
import { parseInput } from './parseInput';
import { commandHere } from './command';
import { DONE, refused, type Reply } from './reply';
import { findConflicts } from './findConflicts';

const problem = (code: string, message: string, remedy: string) =>
  refused({ code, message, place: {}, remedy });

/** Opens a branch that begins with everything as it is now. */
export async function branchOff(wanted: string): Promise<Reply> {
  const name = parseInput(branchSchema.min(1, 'a branch needs a name'), wanted);
  if (!name.ok) return refused(...name.problems);
  const branch = name.value;
  return commandHere(async ({ book, combination: open }) => {
    const next = { ...open, branch };
    const known = await listCombinations(book);
    if (known.some((one) => combinationText(one) === combinationText(next)))
      return problem('branch-exists', `There is a branch “${branch}” already.`, 'Give it another name.');
    const now = effectiveSettings(await listChanges(book, open.rigId), open);
    const from = open.branch ? `the branch “${open.branch}”` : 'the main one';
    const atMs = await bookTime(book);
    const begun = [...now.values()].map(({ key, value }): RecordedEvent => {
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
    });
    const conflict = await findConflicts(book, next, begun);
    if (conflict) return refused(conflict);
    await addChanges(book, open.rigId, begun);
    await chooseCombination(book, next);
    return { ok: true, opens: next };
  });
}

/** Sets everything as it was right after a change; what came since stays on the trail. */
export async function restoreMoment(changeId: string): Promise<Reply> {
  const wanted = parseInput(idSchema, changeId);
  if (!wanted.ok) return refused(...wanted.problems);
  const momentId = wanted.value;
  return commandHere(async ({ book, combination: open }) => {
    const events = await listChanges(book, open.rigId);
    if (!events.some((event) => event.id === momentId))
      return problem('no-such-change', 'There is no such change on the trail.', 'Reload the page.');
    const atMs = await bookTime(book);
    const news = wayBack(events, open, momentId).map((step) => ({
      ...step,
      id: randomUUID(),
      atMs,
      kind: 'set' as const,
      why: 'Everything as it was at an earlier moment.',
    }));
    const conflict = await findConflicts(book, open, news);
    if (conflict) return refused(conflict);
    await addChanges(book, open.rigId, news);
    return DONE;
  });
}
