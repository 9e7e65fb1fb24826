'use server';

import { randomBytes } from 'node:crypto';
import { z } from 'zod';
import { SEALED_BYTES, sealSide } from '@/core/experiment/sealedSide';
import { idSchema } from '@/core/text/line';
import { sayLoaded } from '@/data/experiments';
import { NEUTRAL_FIRST, NOTHING_TO_LOAD } from './experimentProblems';
import { onTurn, stepOf } from './experimentTurn';
import { parseInput } from './parseInput';
import { DONE, refused, type Reply } from './reply';

const place = z.int().min(0).max(1000);

const loadedSchema = z.strictObject({ id: idSchema, place, what: z.enum(['neutral', 'ride']) });

/** The helper says what is loaded: first the neutral values, then the ride's. They can say nothing else. */
export async function helperLoaded(said: z.input<typeof loadedSchema>): Promise<Reply> {
  const loaded = parseInput(loadedSchema, said);
  if (!loaded.ok) return refused(...loaded.problems);
  const { id, what } = loaded.value;
  return onTurn(id, async (here, row) => {
    const step = stepOf(row);
    if (
      !row.sealed ||
      row.plan.asked.way !== 'helper' ||
      step.kind !== 'ride' ||
      step.place !== loaded.value.place
    )
      return refused(NOTHING_TO_LOAD);
    const before = row.sealed.loaded;
    if (what === 'ride' && before?.place !== step.place) return refused(NEUTRAL_FIRST);
    await sayLoaded(here.book, id, { place: step.place, what });
    return DONE;
  });
}

const placeSchema = z.strictObject({ id: idSchema, place });

/** A driver who is alone saved the file of the ride that comes next: now it may be driven. */
export async function slotSaved(said: z.input<typeof placeSchema>): Promise<Reply> {
  const saved = parseInput(placeSchema, said);
  if (!saved.ok) return refused(...saved.problems);
  return onTurn(saved.value.id, async (here, row) => {
    const step = stepOf(row);
    if (!row.sealed?.files || step.kind !== 'ride' || step.place !== saved.value.place)
      return refused(NOTHING_TO_LOAD);
    await sayLoaded(here.book, row.id, { place: step.place, what: 'ride' });
    return DONE;
  });
}

/** The program loads the ride that comes next by itself: of a blind test it is told a sealed side, which no page shows. */
export async function loadHere(asked: z.input<typeof placeSchema>): Promise<Reply> {
  const wanted = parseInput(placeSchema, asked);
  if (!wanted.ok) return refused(...wanted.problems);
  return onTurn(wanted.value.id, async (here, row) => {
    const step = stepOf(row);
    if (row.plan.asked.way !== 'here' || step.kind !== 'ride' || step.place !== wanted.value.place)
      return refused(NOTHING_TO_LOAD);
    if (!row.sealed || step.side === null) return DONE;
    await sayLoaded(here.book, row.id, { place: step.place, what: 'ride' });
    return { ok: true, sealed: sealSide(step.side, randomBytes(SEALED_BYTES)) };
  });
}
