import 'server-only';
import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { writeRideCsv } from '@/core/formats/rideCsv';
import { RIDE_COLUMNS, type RideLog } from '@/core/rides/rideLog';
import { database } from '@/data/book';
import { settingValueSchema } from '@/data/changes';
import { openCombination } from '@/data/combination';
import { listTitles } from '@/data/ownTitles';
import { addRide, listRides, loadRide, markRide } from '@/data/rides';
import { bookChanged } from '../bookChanged';
import { receiveColumns, refuse } from '../receive';

const headSchema = z.strictObject({
  trackId: z.string().max(60),
  seed: z.number().int().nonnegative(),
  /** The settings that it was simulated with, so that a change made meanwhile is not counted to it. */
  settings: z.record(z.string(), settingValueSchema),
  notes: z.record(z.string(), z.string()),
});

/** Takes a simulated ride as packed columns. The first ride becomes A, the newest B. */
export async function acceptRide(request: Request): Promise<Response> {
  const received = await receiveColumns(request);
  if (!received.ok) return refuse(received.problems);
  const head = headSchema.safeParse(received.value.head);
  const { columns } = received.value;
  const t = columns['t_s'];
  const known = Object.keys(columns).every((name) => (RIDE_COLUMNS as readonly string[]).includes(name));
  if (!head.success || !t || !known)
    return refuse([
      { code: 'bad-ride', message: 'The ride is not whole.', place: {}, remedy: 'Ride again.' },
    ]);
  const db = await database();
  const combination = await openCombination(db);
  if (!combination)
    return refuse([{ code: 'no-rig', message: 'No rig is open.', place: {}, remedy: 'Choose a rig.' }], 409);
  const { notes, ...ride } = head.data;
  if (!(await listTitles(db)).byId(combination.titleId).trackIds.includes(ride.trackId))
    return refuse([
      {
        code: 'unknown-track',
        message: `${ride.trackId} is not driven here.`,
        place: {},
        remedy: 'Choose its own road.',
      },
    ]);
  const log: RideLog = { columns: { ...columns, t_s: t }, notes };
  const before = await listRides(db, combination);
  const id = randomUUID();
  await addRide(db, { id, ...combination, ...ride, log });
  // Another road begins a comparison of its own.
  if (!before.some((row) => row.mark === 'A' && row.trackId === ride.trackId))
    await markRide(db, combination, id, 'A');
  else await markRide(db, combination, id, 'B');
  bookChanged();
  return Response.json({ ok: true, id });
}

/** A ride as a `*.ride.csv`. */
export async function sendRideFile(request: Request): Promise<Response> {
  const id = new URL(request.url).searchParams.get('id') ?? '';
  const log = await loadRide(await database(), id);
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
