import 'server-only';
import { sidesOf } from '@/core/experiment/coinOrders';
import { alongPairs, type PairsAlongRoad } from '@/core/experiment/alongPairs';
import { ridden } from '@/core/experiment/course';
import { alongRoad, type AlongRoad } from '@/core/rides/alongRoad';
import { breath } from '@/data/breath';
import type { Database } from '@/data/database';
import { experimentOf } from '@/data/experiments';
import { loadRide } from '@/data/rides';
import type { Here } from './here';
import { memo } from './memo';

/** A ride over distance; it never changes, so it is worked out once. */
function along(db: Database, rideId: string): Promise<AlongRoad | null> {
  return memo(db, `along:${rideId}`, async () => {
    await breath();
    const log = await loadRide(db, rideId);
    return log && alongRoad(log);
  });
}

/** A and B of an experiment over distance: its whole pairs, of those questions whose laps are compared. */
export async function readAlong(
  { book, combination }: Here,
  id: string,
): Promise<{ along: PairsAlongRoad | null } | null> {
  const row = await experimentOf(book, combination, id);
  if (!row) return null;
  const { asked, orders } = row.plan;
  if (!orders || asked.question !== 'change') return { along: null };
  const sides = sidesOf(orders);
  const byPlace = new Map(ridden(row.trials).map((trial) => [trial.place, trial.rideId]));
  const pairs = await Promise.all(
    orders.map(async (_, k) => {
      const [first, second] = [byPlace.get(2 * k) ?? null, byPlace.get(2 * k + 1) ?? null];
      if (first === null || second === null) return null;
      const [one, other] = [await along(book, first), await along(book, second)];
      if (!one || !other) return null;
      return sides[2 * k] === 'A' ? { a: one, b: other } : { a: other, b: one };
    }),
  );
  return { along: alongPairs(pairs.filter((pair) => pair !== null)) };
}
