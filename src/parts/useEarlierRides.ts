'use client';

import { useState } from 'react';
import type { BookView } from '@/book/model/bookView';
import { RIDES_SHOWN, type RideLine } from '@/book/model/rideView';
import { reasonOf } from '@/core/problem';
import { notify } from '@/ui/notices';
import { fetchFresh } from '@/ui/useFetched';

/** The rides that a page brings, and those further back, asked for some at a time. */
export function useEarlierRides(view: Pick<BookView, 'rides' | 'rideCount'>) {
  const [earlier, setEarlier] = useState<RideLine[]>([]);
  const newest = view.rides.at(-1)?.id;
  const [of, setOf] = useState(newest);
  // A new ride moves all others one place back.
  if (of !== newest) {
    setOf(newest);
    setEarlier([]);
  }
  // A marked ride is brought wherever it lies, and met again further back.
  const lines = [...new Map([...earlier, ...view.rides].map((ride) => [ride.id, ride])).values()].sort(
    (a, b) => a.atMs - b.atMs,
  );
  const more = () => {
    fetchFresh<RideLine[]>(`/api/rides/earlier?skip=${RIDES_SHOWN + earlier.length}`).then(
      (rides) => setEarlier((now) => [...rides, ...now]),
      (error: unknown) => notify(reasonOf(error), 'fault'),
    );
  };
  return { lines, isMore: lines.length < view.rideCount, more };
}
