import 'server-only';
import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { writeRideCsv } from '@/core/formats/rideCsv';
import { RIDE_COLUMNS, type RideLog } from '@/core/rides/rideLog';
import { schemaProblem } from '@/core/formats/schemaProblem';
import type { Problem } from '@/core/problem';
import { rideFault, rideNotesSchema, seedSchema } from '@/core/rides/checkRide';
import { settingValuesSchema } from '@/core/settings/setting';
import { idSchema } from '@/core/text/line';
import { database } from '@/data/book';
import { openCombination } from '@/data/combination';
import { listTitles } from '@/data/ownTitles';
import { addRide, listRides, loadRide, markRide } from '@/data/rides';
import { write } from '@/data/write';
import { bookChanged } from '../bookChanged';
import { NO_RIG, notWritten } from '../command';
import { receiveColumns, refuse } from '../receive';

const headSchema = z.strictObject({
  trackId: idSchema,
  seed: seedSchema,
  /** The settings that it was simulated with, so that a change made meanwhile is not counted to it. */
  settings: settingValuesSchema,
  notes: rideNotesSchema,
});

/** Takes a simulated ride as packed columns. The first ride becomes A, the newest B. */
export async function acceptRide(request: Request): Promise<Response> {
  const received = await receiveColumns(request);
  if (!received.ok) return refuse(received.problems);
  const head = headSchema.safeParse(received.value.head);
  if (!head.success) return refuse(head.error.issues.slice(0, 3).map(schemaProblem));
  const { columns } = received.value;
  const t = columns['t_s'];
  const known = Object.keys(columns).every((name) => (RIDE_COLUMNS as readonly string[]).includes(name));
  if (!t || !known) return refuse([NOT_WHOLE]);
  const { notes, ...ride } = head.data;
  const log: RideLog = { columns: { ...columns, t_s: t }, notes };
  const fault = rideFault(log);
  if (fault) return refuse([fault]);
  const id = randomUUID();
  try {
    const refused = await write(await database(), async (inside): Promise<[Problem, number] | null> => {
      const combination = await openCombination(inside);
      if (!combination) return [NO_RIG, 409];
      if (!(await listTitles(inside)).byId(combination.titleId).trackIds.includes(ride.trackId))
        return [elsewhere(ride.trackId), 400];
      const before = await listRides(inside, combination);
      await addRide(inside, { id, ...combination, ...ride, log });
      // Another road begins a comparison of its own.
      const isFirst = !before.some((row) => row.mark === 'A' && row.trackId === ride.trackId);
      await markRide(inside, combination, id, isFirst ? 'A' : 'B');
      return null;
    });
    if (refused) return refuse([refused[0]], refused[1]);
  } catch (error) {
    return refuse([notWritten(error)], 507);
  }
  bookChanged();
  return Response.json({ ok: true, id });
}

const NOT_WHOLE: Problem = {
  code: 'bad-ride',
  message: 'The ride is not whole.',
  place: {},
  remedy: 'Ride again.',
};

function elsewhere(trackId: string): Problem {
  return {
    code: 'unknown-track',
    message: `${trackId} is not driven here.`,
    place: {},
    remedy: 'Choose its own road.',
  };
}

/** A ride as a `*.ride.csv`. */
export async function sendRideFile(request: Request): Promise<Response> {
  const id = idSchema.safeParse(new URL(request.url).searchParams.get('id'));
  const log = id.success ? await loadRide(await database(), id.data) : null;
  if (!log)
    return refuse(
      [{ code: 'no-ride', message: 'There is no such ride.', place: {}, remedy: 'Reload the page.' }],
      404,
    );
  return new Response(writeRideCsv(log), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="${fileName(log)}"`,
    },
  });
}

/** Named after its road; a log from elsewhere does not say which it was. */
function fileName({ notes }: RideLog): string {
  const road = (notes['track'] ?? 'imported').replace(/[^a-z0-9-]/g, '');
  return `${road}.ride.csv`;
}
