import 'server-only';
import { sidesOf } from '@/core/experiment/coinOrders';
import { alongPairs, type PairsAlongRoad } from '@/core/experiment/alongPairs';
import { ridden, splitPairs } from '@/core/experiment/course';
import { isSameRoad } from '@/core/rides/road';
import { alongRoad, type AlongRoad } from '@/core/rides/alongRoad';
import { breath } from '@/data/breath';
import type { Database } from '@/data/database';
import { experimentOf } from '@/data/experiments';
import { loadRide } from '@/data/rides';
import { isKeptBack } from '../judge/experiments';
import type { Here } from './here';
import { memo } from './memo';
import { rideViewsOf } from './readRides';

/** A ride over distance; it never changes, so it is worked out once. */
function along(db: Database, rideId: string): Promise<AlongRoad | null> {
  return memo(db, `along:${rideId}`, async () => {
    await breath();
    const log = await loadRide(db, rideId);
    return log && alongRoad(log);
  });
}

/** A and B of an experiment over distance: its whole pairs on its road, of those questions whose laps are compared. */
export async function readAlong(
  { book, combination }: Here,
  id: string,
): Promise<{ along: PairsAlongRoad | null } | null> {
  const row = await experimentOf(book, combination, id);
  if (!row) return null;
  const { asked, orders } = row.plan;
  if (!orders || asked.question !== 'change' || isKeptBack(row)) return { along: null };
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
  return { along: alongPairs(pairs.filter((pair) => pair !== null)) };
}
