import 'server-only';
import { z } from 'zod';
import { menusFor } from '@/catalog/menusFor';
import { titleDocument } from '@/catalog/ownTitle';
import { idSchema } from '@/core/text/line';
import { database } from '@/data/book';
import { captureRow } from '@/data/captures';
import { listChanges } from '@/data/changes';
import { listTitles } from '@/data/ownTitles';
import { ridesOf } from '@/data/rides';
import { rideLine } from '../judge/rideLine';
import { combinationOfBrowser, contextIn, type RequestContext } from './requestContext';
import { analysisOf, readCapturePicture } from './readAxis';
import { RIDES_SHOWN } from '../model/rideView';
import { earlierRides } from './readRides';
import { readAlong } from './readAlong';
import { readBook } from './readBook';
import { readSlot } from './readExperiments';
import { readSidesForce } from './readSidesForce';
import { rideTrace } from './readRideTrace';
import { readTrail, TRAIL_SHOWN } from './readTrail';

/** What a page asks for when it draws it, so that no page carries it. */
function onDemand<T>(read: (here: RequestContext, query: URLSearchParams) => Promise<T | null>) {
  return async (request: Request): Promise<Response> => {
    const here = await contextIn(await database(), await combinationOfBrowser());
    const value = here && (await read(here, new URL(request.url).searchParams));
    const headers = { 'cache-control': 'no-store' };
    return value === null || value === undefined
      ? Response.json({ ok: false, problems: [GONE] }, { status: 404, headers })
      : Response.json(value, { headers });
  };
}

const GONE = { code: 'gone', message: 'It is not in this book.', place: {}, remedy: 'Reload the page.' };

const idOf = (query: URLSearchParams) => idSchema.safeParse(query.get('id')).data ?? null;
const placeSchema = z.coerce.number().int().min(0).max(1000);
const skipSchema = z.coerce.number().int().min(0).max(1_000_000);
const skipOf = (query: URLSearchParams) => skipSchema.safeParse(query.get('skip') ?? 0).data ?? 0;

/** What is drawn of a kept capture of the rig. */
export const sendCapturePicture = onDemand(async ({ book, rig }, query) => {
  const id = idOf(query);
  const row = id && (await captureRow(book, rig.id, id));
  return row ? readCapturePicture(book, row) : null;
});

/** What the estimators say of a kept capture of the rig. */
export const sendCaptureAnalysis = onDemand(async ({ book, rig }, query) => {
  const id = idOf(query);
  const row = id && (await captureRow(book, rig.id, id));
  const result = row ? await analysisOf(book, row) : null;
  return result?.ok ? result.value : null;
});

/** The median lap of a ride over distance; a log may lack what it is drawn from. */
export const sendRideTrace = onDemand(async ({ book, combination }, query) => {
  const id = idOf(query);
  const [row] = id ? await ridesOf(book, combination, [id]) : [];
  return row ? { trace: await rideTrace(book, row.id) } : null;
});

/** A and B of a question over distance. */
export const sendAlong = onDemand(async (here, query) => {
  const id = idOf(query);
  return id ? readAlong(here, id) : null;
});

/** The force of both sides of a question. */
export const sendSidesForce = onDemand(async (here, query) => {
  const id = idOf(query);
  return id ? readSidesForce(here, await readBook(here), id) : null;
});

/** The file of the ride that comes next in a blind test of somebody who is alone. */
export const sendSlot = onDemand(async (here, query) => {
  const id = idOf(query);
  const place = placeSchema.safeParse(query.get('place')).data;
  return id && place !== undefined ? readSlot(here, id, place) : null;
});

/** What was set when a ride was driven. */
export const sendRideSettings = onDemand(async ({ book, combination }, query) => {
  const id = idOf(query);
  const [row] = id ? await ridesOf(book, combination, [id]) : [];
  return row?.settings ?? null;
});

/** Rides before those which a page lists. */
export const sendEarlierRides = onDemand(async (here, query) => {
  const rides = await earlierRides(here, Math.max(RIDES_SHOWN, skipOf(query)));
  return rides.map(rideLine);
});

/** Marks of the trail before those which a page shows. */
export const sendTrail = onDemand(async ({ book, combination, rig }, query) => {
  const [events, titles] = await Promise.all([listChanges(book, rig.id), listTitles(book)]);
  const menus = menusFor(rig.spec, titles.byId(combination.titleId), titles.car(combination.carId));
  const skip = Math.max(TRAIL_SHOWN, skipOf(query));
  return readTrail({ book, combination, menus, events }, TRAIL_SHOWN, skip);
});

/** A title as a document, built in or described: to be copied and changed. */
export const sendTitleDocument = onDemand(async ({ book }, query) => {
  const id = idOf(query);
  const title = (await listTitles(book)).all.find((one) => one.id === id);
  return title ? titleDocument(title) : null;
});
