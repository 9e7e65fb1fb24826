'use server';

import { randomUUID } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import { z } from 'zod';
import { CAR_CLASSES } from '@/catalog/carClasses';
import { ownCarId } from '@/catalog/ownCar';
import { ownTitleId } from '@/catalog/ownTitle';
import { soundDialect } from '@/core/formats/dialectJson';
import { describedCarSchema } from '@/core/formats/ownCarJson';
import { readTitleDocument, titleDocumentSchema } from '@/core/formats/titleJson';
import { baseProgramSchema } from '@/core/rig/rigSpec';
import { idSchema } from '@/core/text/line';
import { listOwnCars, listOwnTitles, listTitles, saveOwnCar, saveOwnTitle } from '@/data/ownTitles';
import { goneMeanwhile, nameTaken } from './descriptionProblems';
import { combinationOfBrowser } from '../read/requestContext';
import { findTitleConflicts } from './findConflicts';
import { openInTransaction } from './openInTransaction';
import { parseInput } from './parseInput';
import { command, commandHere } from './command';
import { describeInTransaction } from './describeInTransaction';
import { DONE, refused, type Reply } from './reply';

const savedTitleSchema = z.strictObject({
  document: titleDocumentSchema,
  /** The own title that it takes the place of; a new one where it is not said. */
  replaces: idSchema.optional(),
  /** Whether it is opened at once. */
  opens: z.boolean().default(false),
});

/** Keeps a title that the driver described, or describes one of theirs anew. */
export async function saveTitle(input: z.input<typeof savedTitleSchema>): Promise<Reply> {
  const wanted = parseInput(savedTitleSchema, input);
  if (!wanted.ok) return refused(...wanted.problems);
  const described = readTitleDocument(wanted.value.document);
  if (!described.ok) return refused(...described.problems);
  const { replaces, opens } = wanted.value;
  const title = described.value;
  const now = await combinationOfBrowser();
  return command(async (book) => {
    const titles = await listTitles(book);
    const isTaken = titles.all.some(
      ({ id, name }) => id !== replaces && name.toLowerCase() === title.name.toLowerCase(),
    );
    if (isTaken) return refused(nameTaken('title', title.name));
    const own = await listOwnTitles(book);
    const before = own.find(({ id }) => ownTitleId(id) === replaces);
    if (replaces !== undefined && !before) return refused(goneMeanwhile('title'));
    const id = before?.id ?? randomUUID();
    await saveOwnTitle(book, { id, ...title });
    const conflict = before ? await findTitleConflicts(book, ownTitleId(id)) : null;
    if (conflict) return refused(conflict);
    return opens ? openInTransaction(book, now, { titleId: ownTitleId(id) }) : DONE;
  });
}

const savedCarSchema = z.strictObject({
  car: describedCarSchema.refine(({ className }) => CAR_CLASSES.some(({ id }) => id === className), {
    path: ['className'],
    message: `no such class; there are ${CAR_CLASSES.map(({ id }) => id).join(', ')}`,
  }),
  /** The own car that it takes the place of; a new one where it is not said. */
  replaces: idSchema.optional(),
  opens: z.boolean().default(false),
});

/** Keeps a car that the driver described, or describes one of theirs anew. */
export async function saveCar(input: z.input<typeof savedCarSchema>): Promise<Reply> {
  const wanted = parseInput(savedCarSchema, input);
  if (!wanted.ok) return refused(...wanted.problems);
  const { car, replaces, opens } = wanted.value;
  const now = await combinationOfBrowser();
  return command(async (book) => {
    const titles = await listTitles(book);
    const isTaken = titles.cars.some(
      ({ id, name }) => id !== replaces && name.toLowerCase() === car.name.toLowerCase(),
    );
    if (isTaken) return refused(nameTaken('car', car.name));
    const before = (await listOwnCars(book)).find(({ id }) => ownCarId(id) === replaces);
    if (replaces !== undefined && !before) return refused(goneMeanwhile('car'));
    const id = before?.id ?? randomUUID();
    await saveOwnCar(book, { id, ...car });
    return opens ? openInTransaction(book, now, { carId: ownCarId(id) }) : DONE;
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
    const sound = soundDialect({ name: program.name, axis: 'base', fields }, '');
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
    return describeInTransaction(book, rig, { ...rig.spec, base: { ...rig.spec.base, program } });
  });
}
