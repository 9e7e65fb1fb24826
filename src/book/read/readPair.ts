import 'server-only';
import { compareRides } from '@/core/decide/compareRides';
import { listChanges } from '@/data/changes';
import { newestRides, ridesWithMark } from '@/data/rides';
import { markedRides } from '../judge/markedRides';
import { ridesCompared } from '../judge/ridesCompared';
import { changeItem } from '../judge/trail';
import type { BookView } from '../model/bookView';
import type { Pair } from '../model/pair';
import type { Here } from './here';
import { memo } from './memo';
import { RIDES_SHOWN } from '../model/rideView';
import { rideViewsOf } from './readRides';
import { changesIn } from './readTrail';

/** More changes than these are not offered to be put back one by one. */
const MOST_BETWEEN = 12;

/** The rides marked A and B, compared; `null` where a mark is missing, or where they were not driven on the same road. */
export async function markedPair({ book, combination, rig }: Here, view: BookView): Promise<Pair | null> {
  const { pair } = markedRides(await ridesWithMark(book, combination));
  if (!pair) return null;
  const driven = ridesCompared(pair.a, pair.b, await newestRides(book, combination, RIDES_SHOWN));
  const rides = await rideViewsOf(
    book,
    combination,
    driven.map(({ ride }) => ride.id),
  );
  const [a, b] = [rides.get(pair.a.id), rides.get(pair.b.id)];
  if (!a || !b) return null;
  const comparisons = memo(
    a.measures,
    `pair:${driven.map(({ side, ride }) => `${side}${ride.id}`).join()}`,
    () =>
      compareRides(
        driven.flatMap(({ side, ride }) => {
          const view = rides.get(ride.id);
          return view ? [{ side, laps: view.measures.laps }] : [];
        }),
      ),
  );
  const count = (of: 'A' | 'B') => driven.filter(({ side }) => side === of).length;
  const between = changesIn(await listChanges(book, rig.id), combination).filter(
    ({ live, atMs }) => live && atMs > a.atMs && atMs <= b.atMs,
  );
  return {
    a,
    b,
    sides: { ridesA: count('A'), ridesB: count('B') },
    comparisons,
    between: between.slice(-MOST_BETWEEN).map((event) => changeItem(view, event)),
  };
}
