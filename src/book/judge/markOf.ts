import { isSameRoad, type Road } from '@/core/rides/road';
import { changedBetween, type SettingValues } from '@/core/settings/setting';

interface Driven {
  road: Road;
  settings: SettingValues;
}

/**
 * The mark that a new ride gets by itself: the first of a road is A, what comes after it B. Driven with A's settings again
 * while a B stands that was driven with others, it gets none: it counts on A's side, and the pair stays.
 */
export function markOf(
  ride: Driven,
  marked: readonly (Driven & { mark: 'A' | 'B' | null })[],
): 'A' | 'B' | null {
  const here = marked.filter(({ road }) => isSameRoad(road, ride.road));
  const a = here.find(({ mark }) => mark === 'A');
  if (!a) return 'A';
  const b = here.find(({ mark }) => mark === 'B');
  const isAgain = changedBetween(a.settings, ride.settings).length === 0;
  return b && isAgain && changedBetween(a.settings, b.settings).length > 0 ? null : 'B';
}
