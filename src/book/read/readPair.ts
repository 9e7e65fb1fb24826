import 'server-only';
import { compareLaps } from '@/core/decide/compareRides';
import { listChanges } from '@/data/changes';
import { ridesWithMark } from '@/data/rides';
import { markedRides } from '../judge/markedRides';
import { changeItem } from '../judge/trail';
import type { BookView } from '../model/bookView';
import type { Pair } from '../model/pair';
import type { Here } from './here';
import { memo } from './memo';
import { rideViewsOf } from './readRides';
import { changesIn } from './readTrail';

/** More changes than these are not offered to be put back one by one. */
const MOST_BETWEEN = 12;

/** The rides marked A and B, compared; `null` where a mark is missing, or where they were not driven on the same road. */
export async function markedPair({ book, combination, rig }: Here, view: BookView): Promise<Pair | null> {
  const { pair } = markedRides(await ridesWithMark(book, combination));
  if (!pair) return null;
  const rides = await rideViewsOf(book, combination, [pair.a.id, pair.b.id]);
  const [a, b] = [rides.get(pair.a.id), rides.get(pair.b.id)];
  if (!a || !b) return null;
  const comparisons = memo(a.measures, `pair:${b.id}`, () => compareLaps(a.measures.laps, b.measures.laps));
  const between = changesIn(await listChanges(book, rig.id), combination).filter(
    ({ live, atMs }) => live && atMs > a.atMs && atMs <= b.atMs,
  );
  return { a, b, comparisons, between: between.slice(-MOST_BETWEEN).map((event) => changeItem(view, event)) };
}
