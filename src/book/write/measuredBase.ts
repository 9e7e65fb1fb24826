'use server';

import { z } from 'zod';
import { measuredBaseSchema, MOST_MEASUREMENTS } from '@/core/rig/measuredBase';
import { bookTime } from '@/data/bookTime';
import { commandHere } from './command';
import { describeInTransaction } from './describeInTransaction';
import { parseInput } from './parseInput';
import { refused, type Reply } from './reply';

const foundSchema = measuredBaseSchema.omit({ atMs: true });

/** Keeps what was measured of the open rig's base; from now on everything foretold of its rim rests on it. */
export async function keepMeasuredBase(input: z.input<typeof foundSchema>): Promise<Reply> {
  const found = parseInput(foundSchema, input);
  if (!found.ok) return refused(...found.problems);
  return commandHere(async ({ book, rig }) => {
    const { base } = rig.spec;
    const atMs = Math.max(await bookTime(book), (base.measured.at(-1)?.atMs ?? 0) + 1);
    const measured = [...base.measured, { ...found.value, atMs }].slice(-MOST_MEASUREMENTS);
    return describeInTransaction(book, rig, { ...rig.spec, base: { ...base, measured } });
  });
}

/** Takes one measurement out again; the one before it holds, or what is described and usual. */
export async function forgetMeasuredBase(atMs: number): Promise<Reply> {
  const wanted = parseInput(z.number().int(), atMs);
  if (!wanted.ok) return refused(...wanted.problems);
  return commandHere(async ({ book, rig }) => {
    const { base } = rig.spec;
    const measured = base.measured.filter((one) => one.atMs !== wanted.value);
    if (measured.length === base.measured.length)
      return refused({
        code: 'no-measurement',
        message: 'There is no such measurement.',
        place: {},
        remedy: 'Reload the page: it may have been taken out already.',
      });
    return describeInTransaction(book, rig, { ...rig.spec, base: { ...base, measured } });
  });
}
