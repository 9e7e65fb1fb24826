'use server';

import { randomUUID } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import type { z } from 'zod';
import { soundDialect } from '@/core/formats/dialectJson';
import { readOwnTitle, type ownTitleSchema } from '@/core/formats/ownTitleJson';
import { baseProgramSchema } from '@/core/rig/rigSpec';
import { listTitles, saveOwnTitle } from '@/data/ownTitles';
import { parseInput } from './parseInput';
import { command, commandHere } from './command';
import { describeInside } from './describeInside';
import { DONE, refused, type Reply } from './reply';

/** Keeps a title that the driver described. */
export async function saveTitle(input: z.input<typeof ownTitleSchema>): Promise<Reply> {
  const described = readOwnTitle(input);
  if (!described.ok) return refused(...described.problems);
  const title = described.value;
  return command(async (book) => {
    const isTaken = (await listTitles(book)).all.some(
      ({ name }) => name.toLowerCase() === title.name.toLowerCase(),
    );
    if (isTaken)
      return refused({
        code: 'title-exists',
        message: `There is a title called ${title.name} already.`,
        place: {},
        remedy: 'Give it another name.',
      });
    await saveOwnTitle(book, { id: randomUUID(), ...title });
    return DONE;
  });
}

type Program = z.input<typeof baseProgramSchema> | null;

/**
 * Keeps what the open rig's base lets one set as its driver described it; `null` forgets it again.
 * @param seen the program as the page showed it: where another window described it meanwhile, nothing is changed
 */
export async function saveBase(input: Program, seen?: Program): Promise<Reply> {
  const described = parseInput(baseProgramSchema.nullable(), input);
  if (!described.ok) return refused(...described.problems);
  const before = parseInput(baseProgramSchema.nullable().optional(), seen);
  if (!before.ok) return refused(...before.problems);
  const program = described.value;
  const fields = program ? [...program.steering, ...program.fields] : [];
  if (program && fields.length > 0) {
    const sound = soundDialect(
      { format: 'pebble-road/dialect', version: 1, name: program.name, axis: 'base', fields },
      '',
    );
    if (!sound.ok) return refused(...sound.problems);
  }
  return commandHere(async ({ book, rig }) => {
    if (before.value !== undefined && !isDeepStrictEqual(before.value, rig.spec.base.program))
      return refused({
        code: 'changed-meanwhile',
        message: 'Another window described this base meanwhile.',
        place: {},
        remedy: 'Nothing was changed. Reload the page to see it.',
      });
    return describeInside(book, rig, { ...rig.spec, base: { ...rig.spec.base, program } });
  });
}
