import 'server-only';
import { listChanges } from '@/data/changes';
import { comparePair } from '../judge/road/verdict';
import { sameValue } from '@/core/settings/setting';
import { tellRidesApart } from '../judge/tellRidesApart';
import { changeItem } from '../judge/trail';
import type { BookView } from '../model/bookView';
import type { Pair } from '../model/pair';
import type { RequestContext } from './requestContext';
import type { Combination } from '@/core/settings/scope';
import type { Database } from '@/data/database';
import { rideMoments } from '@/data/rides';
import type { RideView } from '../model/rideView';
import { ridesShown, rideViewsOf } from './readRides';
import { changesIn } from './readTrail';

/** More changes than these are not offered to be put back one by one. */
const MOST_BETWEEN = 12;

/** The rides marked A and B with those like them, compared; `null` where a mark is missing, or where they were not driven on the same road. */
export async function markedPair(
  { book, combination, rig }: RequestContext,
  view: BookView,
): Promise<Pair | null> {
  const { rides } = await ridesShown(book, combination);
  const pair = comparePair(rides);
  if (!pair) return null;
  const { a, b, sides, comparisons, changed } = pair;
  const between = changesIn(await listChanges(book, rig.id), combination).filter(
    ({ live, atMs }) => live && atMs > a.atMs && atMs <= b.atMs,
  );
  const apart = tellRidesApart(a, b, await ridesAround(book, combination, b.atMs), changed, comparisons);
  const wanted = {
    ...b.settings,
    ...Object.fromEntries((apart?.next ?? []).map((key) => [key, a.settings[key] ?? null])),
  };
  return {
    a: { id: a.id, atMs: a.atMs },
    b: { id: b.id, atMs: b.atMs },
    sides,
    comparisons,
    changed,
    apart,
    putBack: apart
      ? changed.flatMap((key) =>
          sameValue(view.settings[key], wanted[key]) ? [] : [{ key, to: wanted[key] ?? null }],
        )
      : [],
    between: between.slice(-MOST_BETWEEN).map((event) => changeItem(view, event)),
  };
}

/** An evening’s length, and as many of its rides as are looked at. */
const EVENING_MS = 12 * 3600 * 1000;
const MOST_AROUND = 24;
const LOOKED_BACK = 400;

/** The rides of the same evening, those right after a moment first: with some of the changes put back they may be among them. */
async function ridesAround(book: Database, combination: Combination, atMs: number): Promise<RideView[]> {
  const moments = (await rideMoments(book, combination, LOOKED_BACK))
    .filter((ride) => Math.abs(ride.atMs - atMs) <= EVENING_MS)
    .sort((x, y) => Math.abs(x.atMs - atMs) - Math.abs(y.atMs - atMs));
  const views = await rideViewsOf(
    book,
    combination,
    moments.slice(0, MOST_AROUND).map(({ id }) => id),
  );
  return [...views.values()];
}
