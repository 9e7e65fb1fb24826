'use server';

import { z } from 'zod';
import { measuredBaseSchema, MOST_MEASUREMENTS } from '@/core/rig/measuredBase';
import { bookTime } from '@/data/bookTime';
import { actionHere } from './command';
import { describeInTransaction } from './describeInTransaction';
import { refused } from './reply';

const foundSchema = measuredBaseSchema.omit({ atMs: true });

/** Keeps what was measured of the open rig's base; from now on everything foretold of its rim rests on it. */
export const keepMeasuredBase = actionHere(foundSchema, async ({ book, rig }, input) => {
  const { base } = rig.spec;
  const atMs = Math.max(await bookTime(book), (base.measured.at(-1)?.atMs ?? 0) + 1);
  const measured = [...base.measured, { ...input, atMs }].slice(-MOST_MEASUREMENTS);
  return describeInTransaction(book, rig, { ...rig.spec, base: { ...base, measured } });
});

/** Takes one measurement out again; the one before it holds, or what is described and usual. */
export const forgetMeasuredBase = actionHere(z.number().int(), async ({ book, rig }, atMs) => {
  const { base } = rig.spec;
  const measured = base.measured.filter((one) => one.atMs !== atMs);
  if (measured.length === base.measured.length)
    return refused({
      code: 'no-measurement',
      message: 'There is no such measurement.',
      place: {},
      remedy: 'Reload the page: it may have been taken out already.',
    });
  return describeInTransaction(book, rig, { ...rig.spec, base: { ...base, measured } });
});
