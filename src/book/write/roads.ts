'use server';

import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { ownRoadId } from '@/catalog/ownRoad';
import { describedTrackSchema, trackFaults } from '@/core/formats/trackJson';
import { idSchema } from '@/core/text/line';
import { listOwnRoads, listTitles, saveOwnRoad } from '@/data/ownTitles';
import { chooseRoad } from '@/data/road';
import { commandHere } from './command';
import { goneMeanwhile, nameTaken } from './descriptionProblems';
import { parseInput } from './parseInput';
import { DONE, refused, type Reply } from './reply';

const savedRoadSchema = z.strictObject({
  road: describedTrackSchema,
  /** The own road that it takes the place of; a new one where it is not said. */
  replaces: idSchema.optional(),
  /** Whether it is the one that is driven then. */
  opens: z.boolean().default(true),
});

/** Keeps a road that the driver described, or describes one of theirs anew. */
export async function saveRoad(input: z.input<typeof savedRoadSchema>): Promise<Reply> {
  const wanted = parseInput(savedRoadSchema, input);
  if (!wanted.ok) return refused(...wanted.problems);
  const { road, replaces, opens } = wanted.value;
  const faults = trackFaults(road);
  if (faults.length > 0) return refused(...faults);
  return commandHere(async ({ book, combination }) => {
    const { tracks } = await listTitles(book);
    const isTaken = tracks.some(
      ({ id, name }) => id !== replaces && name.toLowerCase() === road.name.toLowerCase(),
    );
    if (isTaken) return refused(nameTaken('road', road.name));
    const before = (await listOwnRoads(book)).find(({ id }) => ownRoadId(id) === replaces);
    if (replaces !== undefined && !before) return refused(goneMeanwhile('road'));
    const id = before?.id ?? randomUUID();
    await saveOwnRoad(book, { id, ...road });
    if (opens) await chooseRoad(book, combination, ownRoadId(id));
    return DONE;
  });
}
