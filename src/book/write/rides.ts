'use server';

import { z } from 'zod';
import { chosenColumnsSchema, type ChosenColumns } from '@/core/import/rideUnits';
import { idSchema } from '@/core/text/line';
import { database } from '@/data/book';
import { importMapOf, rememberImportMap } from '@/data/importMaps';
import { listTitles } from '@/data/ownTitles';
import { chooseRoad } from '@/data/road';
import { markRide } from '@/data/rides';
import { parseInput } from './parseInput';
import { command, commandHere } from './command';
import { DONE, refused, type Reply } from './reply';

const markSchema = z.strictObject({ rideId: idSchema, mark: z.enum(['A', 'B']).nullable() });

/** Marks a ride as A or B for Verdict; `null` takes the mark away. */
export async function setMark(rideId: string, mark: 'A' | 'B' | null): Promise<Reply> {
  const wanted = parseInput(markSchema, { rideId, mark });
  if (!wanted.ok) return refused(...wanted.problems);
  return commandHere(async ({ book, combination }) => {
    if (await markRide(book, combination, wanted.value.rideId, wanted.value.mark)) return DONE;
    return refused({
      code: 'no-such-ride',
      message: 'There is no such ride of this combination.',
      place: {},
      remedy: 'Reload the page.',
    });
  });
}

/** Chooses the road that is driven in the open title. */
export async function takeRoad(wanted: string): Promise<Reply> {
  const road = parseInput(idSchema, wanted);
  if (!road.ok) return refused(...road.problems);
  const trackId = road.value;
  return commandHere(async ({ book, combination }) => {
    if (!(await listTitles(book)).byId(combination.titleId).trackIds.includes(trackId))
      return refused({
        code: 'unknown-track',
        message: `${trackId} is not driven here.`,
        place: {},
        remedy: 'Choose a road of the open title.',
      });
    await chooseRoad(book, combination, trackId);
    return DONE;
  });
}

/** A log's source: what its columns are called, as a digest. */
const sourceSchema = z.string().regex(/^[0-9a-f]{64}$/, 'it is no digest of the names of its columns');

/** What the driver said of a source's columns when a log of it was taken in before. */
export async function importedBefore(source: string): Promise<ChosenColumns | null> {
  const wanted = parseInput(sourceSchema, source);
  return wanted.ok ? importMapOf(await database(), wanted.value) : null;
}

/** Remembers what the columns of a source are, for the next log of it. */
export async function rememberColumns(
  source: string,
  columns: z.input<typeof chosenColumnsSchema>,
): Promise<Reply> {
  const said = parseInput(z.strictObject({ source: sourceSchema, columns: chosenColumnsSchema }), {
    source,
    columns,
  });
  if (!said.ok) return refused(...said.problems);
  return command(async (book) => {
    await rememberImportMap(book, said.value.source, said.value.columns);
    return DONE;
  });
}
