import 'server-only';
import { sidesOf } from '@/core/experiment/randomizedOrders';
import type { StoredPlan } from '@/core/experiment/plan';
import type { Menus } from '@/core/settings/menus';
import { holdsIn, type Combination } from '@/core/settings/scope';
import { liveChanges } from '@/core/settings/trail';
import type { RecordedEvent } from '@/data/changes';
import type { Database } from '@/data/database';
import { ridesAsked } from '@/data/experiments';
import { countRides, rideMoments } from '@/data/rides';
import { trailRide } from '../judge/rideLine';
import { changeItem } from '../judge/trail';
import type { TrailChange } from '../model/bookView';
import type { AskedRide, TrailItem, TrailView } from '../model/trailView';
import { rideViewsOf } from './readRides';

/** So many marks of the trail are shown until more are asked for: what is drawn fills a wide window. */
export const TRAIL_SHOWN = 24;

/** Where a trail is read. */
interface TrailPlace {
  book: Database;
  combination: Combination;
  menus: Menus;
  /** Every change on the rig. */
  events: readonly RecordedEvent[];
}

/** Changes that hold in a combination, in order, and whether each is in force. */
export function changesIn(events: readonly RecordedEvent[], combination: Combination): TrailChange[] {
  const live = liveChanges(events);
  return events.flatMap((event) =>
    event.kind === 'set' && holdsIn(event.scope, combination) ? [{ ...event, live: live.has(event.id) }] : [],
  );
}

function askedRide({ place, plan }: { place: number; plan: StoredPlan }): AskedRide {
  const side = plan.orders ? (sidesOf(plan.orders)[place] ?? null) : null;
  return { question: plan.asked.question, ride: place + 1, side };
}

/**
 * The newest marks of the trail in time order: a ride is looked into only where it is one of them.
 * @param skip how many of the newest are left out
 */
export async function readTrail(place: TrailPlace, most = TRAIL_SHOWN, skip = 0): Promise<TrailView> {
  const { book, combination, events } = place;
  const changes = changesIn(events, combination).sort((a, b) => a.atMs - b.atMs);
  // What lies further back than this cannot be among them.
  const reach = skip + most;
  const [moments, rideCount] = await Promise.all([
    rideMoments(book, combination, reach),
    countRides(book, combination),
  ]);
  const marks = [
    ...changes.slice(-reach).map((change) => ({ atMs: change.atMs, change, rideId: '' })),
    ...moments.reverse().map(({ id, atMs }) => ({ atMs, change: null, rideId: id })),
  ]
    .sort((a, b) => a.atMs - b.atMs)
    .slice(-reach);
  const shown = marks.slice(0, Math.max(0, marks.length - skip));
  const ids = shown.filter(({ change }) => !change).map(({ rideId }) => rideId);
  const [rides, asked] = await Promise.all([rideViewsOf(book, combination, ids), ridesAsked(book, ids)]);
  const items = shown.flatMap(({ change, rideId }): TrailItem[] => {
    if (change) return [changeItem(place, change)];
    const ride = rides.get(rideId);
    if (!ride) return [];
    const one = asked.find((of) => of.rideId === rideId);
    return [{ ...trailRide(ride), ...(one && { asked: askedRide(one) }) }];
  });
  const last = changes.findLast(({ live }) => live);
  const lastLive = last ? changeItem(place, last) : null;
  return {
    items,
    earlier: Math.max(0, changes.length + rideCount - reach),
    lastLive: lastLive && { id: lastLive.id, what: lastLive.what },
  };
}
