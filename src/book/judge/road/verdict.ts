import { compareRides, type Comparison } from '@/core/experiment/compareRides';
import type { MeasuredLap } from '@/core/rides/measureRide';
import type { RideRow } from '@/core/rides/rideRow';
import { changedBetween } from '@/core/settings/setting';
import { capital } from '@/words/format';
import { QUESTION_WORDS } from '@/words/questions';
import { isShown, verdictSentence } from '@/words/verdict';
import type { Asking } from '../../model/experimentView';
import type { Finding } from '../../model/stationHealth';
import { markedRides } from '../markedRides';
import { ridesCompared } from '../ridesCompared';

/** A ride as it is compared. */
export type ComparedRow = Pick<RideRow, 'id' | 'atMs' | 'road' | 'settings' | 'mark'> & {
  measures: { laps: readonly MeasuredLap[] };
};

export interface PairCompared<T extends ComparedRow> {
  a: T;
  b: T;
  sides: { ridesA: number; ridesB: number };
  comparisons: Comparison[];
  /** Settings that differ between the two. */
  changed: string[];
}

/** The rides that are marked, with those like them, compared; `null` where there is no pair. */
export function comparePair<T extends ComparedRow>(rides: readonly T[]): PairCompared<T> | null {
  const { pair } = markedRides(rides);
  if (!pair) return null;
  const { a, b } = pair;
  const driven = ridesCompared(a, b, rides);
  const count = (of: 'A' | 'B') => driven.filter(({ side }) => side === of).length;
  return {
    a,
    b,
    sides: { ridesA: count('A'), ridesB: count('B') },
    comparisons: compareRides(
      driven.map(({ side, ride }) => ({ side, laps: ride.measures.laps })),
      { isOrderKnown: true },
    ).measures,
    changed: changedBetween(a.settings, b.settings),
  };
}

/** What can be said of the pair, or what is missing to one. */
export function pairFinding(
  { rides, rideCount }: { rides: readonly Pick<ComparedRow, 'mark' | 'road'>[]; rideCount: number },
  pair: Pick<PairCompared<ComparedRow>, 'sides' | 'comparisons' | 'changed'> | null,
): Finding {
  if (!pair) {
    const { a, b } = markedRides(rides);
    if (a && b)
      return {
        health: 'untouched',
        reason: 'A and B are of different roads',
        heading: 'A and B were driven on different roads',
      };
    return rideCount < 2
      ? { health: 'untouched', reason: 'Two rides make a pair', heading: 'Two rides make a pair' }
      : { health: 'untouched', reason: 'Mark an A and a B', heading: 'Mark one ride A and one B' };
  }
  const { sides, comparisons, changed } = pair;
  const heading = verdictSentence(comparisons, sides);
  if (changed.length > 1)
    return { health: 'look', reason: `${changed.length} changes between A and B`, heading };
  const shown = comparisons.filter(isShown).length;
  const said = shown === 0 ? 'No difference shown' : `${shown} of ${comparisons.length} measures differ`;
  // One ride a side can't tell the setting from the ride: that is no end.
  return Math.min(sides.ridesA, sides.ridesB) < 2
    ? { health: 'under-way', reason: `${said}, one ride a side`, heading }
    : { health: 'settled', reason: said, heading };
}

/** Verdict on the road: a question that is under way or not decided comes before what two rides say. */
export function verdictFinding({
  rides,
  rideCount,
  asking,
}: {
  rides: readonly ComparedRow[];
  rideCount: number;
  asking: Asking | null;
}): Finding {
  if (asking) {
    const { ask } = QUESTION_WORDS[asking.question];
    const rode =
      asking.of === null ? `${asking.ridden} rides so far` : `${asking.ridden} of ${asking.of} rides`;
    return asking.isOpen
      ? { health: 'under-way', reason: capital(rode), heading: ask }
      : { health: 'under-way', reason: 'Answered: keep it or put it back', heading: ask };
  }
  return pairFinding({ rides, rideCount }, comparePair(rides));
}
