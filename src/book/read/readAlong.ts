import 'server-only';
import { rulesOf } from '@/core/experiment/questions';
import { sidesOf } from '@/core/experiment/randomizedOrders';
import { alongPairs } from '@/core/experiment/alongPairs';
import { ridden, splitPairs } from '@/core/experiment/trial';
import { alongRoad, type AlongRoad } from '@/core/rides/alongRoad';
import { lapOutline } from '@/core/force/lapOutline';
import { isSameRoad, type Road } from '@/core/rides/road';
import { roadPlaces } from '@/core/vehicle/roadPlaces';
import { yieldToEventLoop } from '@/data/yieldToEventLoop';
import type { Database } from '@/data/database';
import { experimentOf } from '@/data/experiments';
import { listTitles } from '@/data/ownTitles';
import { loadRide } from '@/data/rides';
import { isKeptBack } from '../judge/experiments';
import { roadMap } from '../judge/roadMap';
import type { AlongOfBoth, RoadDriven } from '../model/along';
import type { RequestContext } from './requestContext';
import { memo } from './memo';
import { rideViewsOf } from './readRides';

/** A ride over distance; it never changes, so it is worked out once. */
function along(db: Database, rideId: string): Promise<AlongRoad | null> {
  return memo(db, `along:${rideId}`, async () => {
    await yieldToEventLoop();
    const log = await loadRide(db, rideId);
    return log && alongRoad(log);
  });
}

/** A and B of an experiment over distance: its whole pairs on its road, of those questions whose laps are compared. */
export async function readAlong(
  { book, combination }: RequestContext,
  id: string,
): Promise<AlongOfBoth | null> {
  const row = await experimentOf(book, combination, id);
  if (!row) return null;
  const { asked, orders } = row.plan;
  if (!orders || !rulesOf(asked.question).isCompared || isKeptBack(row)) return NOTHING;
  const sides = sidesOf(orders);
  const trials = ridden(row.trials);
  const views = await rideViewsOf(
    book,
    combination,
    trials.flatMap(({ rideId }) => rideId ?? []),
  );
  const driven = trials.flatMap(({ place, rideId }) =>
    rideId === null ? [] : { place, ride: views.get(rideId) },
  );
  const road = driven.find(({ ride }) => ride)?.ride?.road;
  const byPlace = new Map(
    driven.flatMap(({ place, ride }) =>
      ride && isSameRoad(ride.road, road!) ? [[place, ride.id] as const] : [],
    ),
  );
  const split = splitPairs(trials);
  const pairs = await Promise.all(
    orders.map(async (_, k) => {
      const [first, second] = [byPlace.get(2 * k) ?? null, byPlace.get(2 * k + 1) ?? null];
      if (first === null || second === null || split.includes(k)) return null;
      const [one, other] = [await along(book, first), await along(book, second)];
      if (!one || !other) return null;
      return sides[2 * k] === 'A' ? { a: one, b: other } : { a: other, b: one };
    }),
  );
  const compared = alongPairs(pairs.filter((pair) => pair !== null));
  if (!compared) return NOTHING;
  const [first] = byPlace.values();
  return { along: compared, ...(await roadDriven(book, road!, first!)) };
}

const NOTHING: AlongOfBoth = { along: null, map: null, places: [] };

/** What is known of a road that was driven: a log from elsewhere shows where it went, and has no corners by number. */
async function roadDriven(db: Database, road: Road, rideId: string): Promise<RoadDriven> {
  if (road.kind === 'described') {
    const spec = (await listTitles(db)).track(road.id);
    return { map: roadMap(spec), places: roadPlaces(spec) };
  }
  const log = await loadRide(db, rideId);
  const outline = log && lapOutline(log);
  return { map: outline && { name: road.name, ...outline }, places: [] };
}
