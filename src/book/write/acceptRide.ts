import 'server-only';
import { randomUUID } from 'node:crypto';
import { writeRideCsv } from '@/core/formats/rideCsv';
import type { Problem } from '@/core/problem';
import { isAttempt, roadOf } from '@/core/rides/road';
import type { RideLog } from '@/core/rides/rideLog';
import type { SentRide } from '@/core/rides/sentRide';
import { effectiveSettings, valuesOf } from '@/core/settings/trail';
import { idSchema } from '@/core/text/line';
import { database } from '@/data/book';
import { yieldToEventLoop } from '@/data/yieldToEventLoop';
import { listChanges } from '@/data/changes';
import type { Database } from '@/data/database';
import {
  addRidePart,
  addRideRow,
  loadRide,
  markRide,
  packRide,
  removeRideParts,
  RidePartsGone,
  ridesWithMark,
} from '@/data/rides';
import { write } from '@/data/write';
import { bookChanged } from '../read/cachedUntilWrite';
import { markOf } from '../judge/markOf';
import { bookView } from '../read/readBook';
import type { BookView } from '../model/bookView';
import { NO_RIG, notWritten } from './command';
import { receiveRecording, refuse } from './receiveBody';
import { prepareRide } from '../read/readRides';

/** Takes a simulated ride as packed columns. The first ride becomes A, the newest B. */
export async function acceptRide(request: Request): Promise<Response> {
  const received = await receiveRecording(request, 'takeRide');
  if (!received.ok) return refuse(received.problems);
  const { log, drivenAtMs, isAsked = false, ...sent } = received.value;
  const open = await bookView();
  if (!open) return refuse([NO_RIG], 409);
  if (!open.roads.some(({ id }) => id === sent.trackId)) return refuse([elsewhere(sent.trackId)]);
  if (drivenAtMs !== undefined && drivenAtMs > Date.now()) return refuse([TO_COME]);
  const id = randomUUID();
  const book = await database();
  const then = drivenAtMs === undefined ? null : await settingsAt(book, open, drivenAtMs);
  const ride = { ...sent, atMs: drivenAtMs, ...(then && { settings: then }) };
  try {
    await writeRide(book, open, { id, ...ride }, log, isAsked);
  } catch (error) {
    await write(book, (inside) => removeRideParts(inside, id)).catch(() => undefined);
    return error instanceof RidePartsGone ? refuse([BOOK_CHANGED], 409) : refuse([notWritten(error)], 507);
  }
  bookChanged();
  return Response.json({ ok: true, id, knowsSettings: then !== null });
}

/** Its samples go into the book piece by piece, so that nobody waits for all of a long ride; then its row makes it one. */
async function writeRide(
  book: Database,
  open: BookView,
  ride: Omit<SentRide, 'log' | 'drivenAtMs' | 'isAsked'> & { id: string; atMs?: number | undefined },
  log: RideLog,
  isAsked: boolean,
): Promise<void> {
  const parts = await packRide(log);
  // A page asks for several things one after the other, and waits for a part before each of them.
  for (const [at, part] of parts.entries()) {
    await write(book, (inside) => addRidePart(inside, ride.id, at, part));
    await yieldToEventLoop();
  }
  await prepareRide(book, open, ride, { notes: log.notes, parts });
  const { rigId, titleId, carId, driver, branch } = open.combination;
  const combination = { rigId, titleId, carId, driver, branch };
  await write(book, async (inside) => {
    const marked = await ridesWithMark(inside, combination);
    const road = roadOf(ride.trackId, log.notes);
    await addRideRow(inside, { ...ride, ...combination, notes: log.notes }, parts.length);
    // Another road begins a comparison of its own.
    const mark = isAsked || isAttempt(log.notes) ? null : markOf({ road, settings: ride.settings }, marked);
    if (mark) await markRide(inside, combination, ride.id, mark);
  });
}

/**
 * What was set when a ride was driven, as the trail has it; `null` where the trail begins later: what is set now is taken then,
 * and said to be.
 */
async function settingsAt(book: Database, { rig, combination }: BookView, atMs: number) {
  const before = (await listChanges(book, rig.id)).filter((event) => event.atMs <= atMs);
  const then = effectiveSettings(before, combination);
  return then.size === 0 ? null : valuesOf(then);
}

const TO_COME: Problem = {
  code: 'not-yet',
  message: 'The ride would have been driven in time to come.',
  place: {},
  remedy: 'Check this computer’s clock.',
};

const BOOK_CHANGED: Problem = {
  code: 'changed-meanwhile',
  message: 'Another book took the place of this one while the ride was being written.',
  place: {},
  remedy: 'Reload the page, and ride again.',
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
