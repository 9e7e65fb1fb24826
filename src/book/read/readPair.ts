import 'server-only';
import { compareLaps } from '@/core/decide/compareRides';
import type { BookView } from '../model/bookView';
import { memo } from './memo';
import { rideTrace } from './readRideTrace';
import { markedRides } from '../judge/markedRides';
import type { Pair } from '../model/pair';

/** The rides marked A and B, compared; `null` where a mark is missing, or where they were not driven on the same road. */
export async function markedPair(view: BookView): Promise<Pair | null> {
  const { pair } = markedRides(view.rides);
  if (!pair) return null;
  const { a, b } = pair;
  const [traceA, traceB] = await Promise.all([rideTrace(a.id), rideTrace(b.id)]);
  const comparisons = memo(a.measures, `pair:${b.id}`, () => compareLaps(a.measures.laps, b.measures.laps));
  return { a, b, traceA, traceB, comparisons };
}
