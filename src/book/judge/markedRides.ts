import { isSameRoad, type Road } from '@/core/rides/road';

interface Marked {
  mark: 'A' | 'B' | null;
  road: Road;
}

/** The rides that are marked; only what was driven on the same road can be compared. */
export function markedRides<T extends Marked>(rides: readonly T[]) {
  const a = rides.find((ride) => ride.mark === 'A') ?? null;
  const b = rides.find((ride) => ride.mark === 'B') ?? null;
  return { a, b, pair: a && b && isSameRoad(a.road, b.road) ? { a, b } : null };
}
