'use server';

import { z } from 'zod';
import { database } from '@/data/book';
import { chosenColumnsSchema, importMapOf, rememberImportMap } from '@/data/importMaps';
import { openCombination } from '@/data/combination';
import { listTitles } from '@/data/ownTitles';
import { chooseRoad } from '@/data/road';
import { markRide } from '@/data/rides';
import { asked } from '../asked';
import { bookChanged } from '../bookChanged';
import { DONE, refused, type Reply } from '../reply';

const markSchema = z.strictObject({ rideId: z.string().max(60), mark: z.enum(['A', 'B']).nullable() });

/** Marks a ride as A or B for Verdict; `null` takes the mark away. */
export async function setMark(rideId: string, mark: 'A' | 'B' | null): Promise<Reply> {
  const db = await database();
  const scope = await openCombination(db);
  if (!scope)
    return refused({ code: 'no-rig', message: 'No rig is open.', place: {}, remedy: 'Choose a rig first.' });
  const wanted = asked(markSchema, { rideId, mark });
  if (!wanted.ok) return refused(...wanted.problems);
  if (!(await markRide(db, scope, wanted.value.rideId, wanted.value.mark)))
    return refused({
      code: 'no-such-ride',
      message: 'There is no such ride of this combination.',
      place: {},
      remedy: 'Reload the page.',
    });
  bookChanged();
  return DONE;
}

/** Chooses the road that is driven in the open title. */
export async function takeRoad(wanted: string): Promise<Reply> {
  const road = asked(z.string().max(60), wanted);
  if (!road.ok) return refused(...road.problems);
  const trackId = road.value;
  const db = await database();
  const open = await openCombination(db);
  if (!open || !(await listTitles(db)).byId(open.titleId).trackIds.includes(trackId))
    return refused({
      code: 'unknown-track',
      message: `${trackId} is not driven here.`,
      place: {},
      remedy: 'Choose a road of the open title.',
    });
  await chooseRoad(db, open, trackId);
  bookChanged();
  return DONE;
}

const sourceSchema = z.string().min(1).max(200);

/** What the driver said of a source's columns when a log of it was taken in before. */
export async function importedBefore(source: string): Promise<z.output<typeof chosenColumnsSchema> | null> {
  const wanted = asked(sourceSchema, source);
  return wanted.ok ? importMapOf(await database(), wanted.value) : null;
}

/** Remembers what the columns of a source are, for the next log of it. */
export async function rememberColumns(
  source: string,
  columns: z.input<typeof chosenColumnsSchema>,
): Promise<Reply> {
  const said = asked(z.strictObject({ source: sourceSchema, columns: chosenColumnsSchema }), {
    source,
    columns,
  });
  if (!said.ok) return refused(...said.problems);
  await rememberImportMap(await database(), said.value.source, said.value.columns);
  return DONE;
}
