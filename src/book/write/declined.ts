'use server';

import { declinedSchema, proposalIdSchema } from '@/core/settings/proposal';
import { declinedIn, setDeclined } from '@/data/declined';
import { commandHere } from './command';
import { parseInput } from './parseInput';
import { DONE, refused, type Reply } from './reply';

/** "Not for me": a proposal is not made again in this combination, until something else would be proposed. */
export async function decline(id: string): Promise<Reply> {
  const wanted = parseInput(proposalIdSchema, id);
  if (!wanted.ok) return refused(...wanted.problems);
  return commandHere(async ({ book, combination }) => {
    const now = await declinedIn(book, combination);
    const next = parseInput(declinedSchema, [...now.filter((one) => one !== wanted.value), wanted.value]);
    if (!next.ok) return refused(...next.problems);
    await setDeclined(book, combination, next.value);
    return DONE;
  });
}

/** What was waved away is proposed again. */
export async function askAgain(): Promise<Reply> {
  return commandHere(async ({ book, combination }) => {
    await setDeclined(book, combination, []);
    return DONE;
  });
}
