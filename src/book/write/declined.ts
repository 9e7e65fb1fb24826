'use server';

import { declinedSchema, proposalIdSchema } from '@/core/settings/proposal';
import { declinedIn, setDeclined } from '@/data/declined';
import { actionHere, commandHere } from './command';
import { parseInput } from './parseInput';
import { DONE, refused, type Reply } from './reply';

/** "Not for me": a proposal is not made again in this combination, until something else would be proposed. */
export const decline = actionHere(proposalIdSchema, async ({ book, combination }, id) => {
  const now = await declinedIn(book, combination);
  const next = parseInput(declinedSchema, [...now.filter((one) => one !== id), id]);
  if (!next.ok) return refused(...next.problems);
  await setDeclined(book, combination, next.value);
  return DONE;
});

/** What was waved away is proposed again. */
export async function askAgain(): Promise<Reply> {
  return commandHere(async ({ book, combination }) => {
    await setDeclined(book, combination, []);
    return DONE;
  });
}
