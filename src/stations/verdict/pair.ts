import 'server-only';
import { compareLaps, type Comparison } from '@/core/decide/compareRides';
import type { BookView, RideView } from '../bookView';
import { memo } from '../memo';
import { rideTrace, type RideTrace } from '../ride/rideTrace';
import { markedRides } from './markedRides';

export interface Pair {
  a: RideView;
  b: RideView;
  traceA: RideTrace | null;
  traceB: RideTrace | null;
  comparisons: Comparison[];
}

/** The rides marked A and B, compared; `null` where a mark is missing, or where they were not driven on the same road. */
export async function markedPair(view: BookView): Promise<Pair | null> {
  const { pair } = markedRides(view.rides);
  if (!pair) return null;
  const { a, b } = pair;
  const [traceA, traceB] = await Promise.all([rideTrace(a.id), rideTrace(b.id)]);
  const comparisons = memo(a.measures, `pair:${b.id}`, () => compareLaps(a.measures.laps, b.measures.laps));
  return { a, b, traceA, traceB, comparisons };
}
