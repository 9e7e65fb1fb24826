'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { chainOf } from '@/core/force/chainOf';
import { isForceDescribed } from '@/core/force/forceParameters';
import { reasonOf } from '@/core/problem';
import type { RideProgress } from '@/core/vehicle/simulateRide';
import { notify } from '@/ui/notices';
import { RideCancelled, startRide } from '@/workers/startRide';
import type { BookView } from '@/book/model/bookView';
import { forceFactsOf } from '@/book/judge/force';
import { ridePlan } from '@/book/judge/ridePlan';
import { keepRide } from './keepRide';

/**
 * Rides of the simulated driver on a combination, one at a time, kept in the book when they are over.
 * @param onKept hears what the ride is called in the book
 */
export function useSimulatedRide(view: BookView, onKept?: (rideId: string) => Promise<unknown>) {
  const router = useRouter();
  const [progress, setProgress] = useState<RideProgress | null>(null);
  const running = useRef<ReturnType<typeof startRide> | null>(null);
  useEffect(() => () => running.current?.cancel(), []);
  const start = (laps: number) => {
    const seed = view.rideCount + 101;
    const plan = ridePlan(view, laps, seed);
    if (!plan) return;
    setProgress({ lap: 0, share: 0 });
    const ride = startRide(
      plan,
      isForceDescribed(view.menus) ? chainOf(forceFactsOf(view)) : null,
      setProgress,
    );
    running.current = ride;
    ride.done
      .then(async (log) => {
        const head = { trackId: plan.track.id, seed, settings: view.settings, isAsked: onKept !== undefined };
        const id = await keepRide(log, head);
        await onKept?.(id);
        router.refresh();
      })
      .catch((error: unknown) => {
        if (error instanceof RideCancelled) notify('The ride was cancelled; nothing was kept of it.');
        else notify(`The ride was not kept: ${reasonOf(error)}`, 'fault');
      })
      .finally(() => {
        running.current = null;
        setProgress(null);
      });
  };
  return { progress, start, cancel: () => running.current?.cancel() };
}
