import type { NewestRide, RideLine, RideView } from '../model/rideView';
import type { TrailRideItem } from '../model/trailView';

/** So many laps are listed of a ride; a log from elsewhere may hold hundreds. */
const MOST_LAPS = 12;

/** Lists write thousandths of a second; what is finer would only make every page longer. */
const listed = (seconds: number) => Math.round(seconds * 1e4) / 1e4;

export function rideLine(ride: RideView): RideLine {
  const { id, atMs, road, mark, changed, importedFrom, clipping, measures } = ride;
  return {
    id,
    atMs,
    road,
    mark,
    changed,
    importedFrom,
    hasForce: clipping !== null,
    counted: measures.laps.filter((lap) => lap.counted).length,
    lapTimeS: measures.summary.lapTimeS === null ? null : listed(measures.summary.lapTimeS),
    laps: measures.laps.slice(0, MOST_LAPS).map(({ why, timeS }) => why ?? listed(timeS!)),
    moreLaps: Math.max(0, measures.laps.length - MOST_LAPS),
  };
}

/** The same on the trail, where there is less room. */
export function trailRide(ride: RideView): Omit<TrailRideItem, 'asked'> {
  const { id, atMs, mark, changed, counted, lapTimeS } = rideLine(ride);
  return { kind: 'ride', id, atMs, mark, changed, counted, lapTimeS };
}

export function newestRide(ride: RideView): NewestRide {
  const { id, road, settings, clipping, importedFrom, isDriven, measures } = ride;
  return {
    id,
    road,
    settings,
    clipping,
    importedFrom,
    isDriven,
    counted: measures.laps.filter((lap) => lap.counted).length,
    summary: measures.summary,
  };
}
