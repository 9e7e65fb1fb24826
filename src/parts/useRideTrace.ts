'use client';

import type { RideTrace } from '@/book/model/rideTrace';
import { useFetched, type Fetched } from '@/ui/useFetched';

/** The median lap of a ride, which comes when it is drawn: a `trace` of `null` where the log lacks what it is drawn from. */
export function useRideTrace(id: string | undefined): Fetched<{ trace: RideTrace | null }> {
  return useFetched(id === undefined ? null : `/api/rides/picture?id=${encodeURIComponent(id)}`);
}
