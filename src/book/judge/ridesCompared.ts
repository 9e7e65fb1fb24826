import { isSameRoad } from '@/core/rides/road';
import type { RideRow } from '@/core/rides/rideRow';
import { changedBetween } from '@/core/settings/setting';

type Driven = Pick<RideRow, 'id' | 'atMs' | 'road' | 'settings'>;

/** One evening: rides further apart than this differ by more than their settings. */
const EVENING_MS = 12 * 3600 * 1000;

const isAlike = (one: Driven, other: Driven) =>
  isSameRoad(one.road, other.road) &&
  Math.abs(one.atMs - other.atMs) <= EVENING_MS &&
  changedBetween(one.settings, other.settings).length === 0;

/**
 * Which rides stand on which side: those that are marked, and what was driven on the same road in the same evening with just
 * A's or just B's settings. Without a difference between A and B only the marked two can be told apart.
 * @returns in order of driving
 */
export function ridesCompared<T extends Driven>(
  a: T,
  b: T,
  others: readonly T[],
): { side: 'A' | 'B'; ride: T }[] {
  const isOneChange = changedBetween(a.settings, b.settings).length > 0;
  const sideOf = (ride: T) => {
    if (ride.id === a.id) return 'A';
    if (ride.id === b.id) return 'B';
    if (!isOneChange) return null;
    return isAlike(ride, a) ? 'A' : isAlike(ride, b) ? 'B' : null;
  };
  const all = new Map([a, b, ...others].map((ride) => [ride.id, ride]));
  return [...all.values()]
    .flatMap((ride) => {
      const side = sideOf(ride);
      return side ? [{ side, ride } as const] : [];
    })
    .sort((one, other) => one.ride.atMs - other.ride.atMs);
}
