import { changedBetween } from '@/core/settings/setting';
import { percent } from '@/core/text/percent';
import type { BookView } from '../../model/bookView';
import type { NewestRide } from '../../model/rideView';
import type { Finding } from '../../model/stationHealth';

/** A brake that is on for less of the full throttle than this rests. */
const HARDLY = 0.005;

/** What the newest ride says, most pressing first. */
export function rideFinding({
  newestRide: last,
  settings,
  rideCount,
}: Pick<BookView, 'settings' | 'rideCount'> & {
  newestRide: Pick<NewestRide, 'settings' | 'summary' | 'counted'> | null;
}): Finding {
  if (!last)
    return { health: 'untouched', reason: 'No laps yet', heading: 'No laps yet on this combination' };
  if (changedBetween(last.settings, settings).length > 0)
    return {
      health: 'under-way',
      reason: 'Changed since the last ride',
      heading: 'Something changed since the last ride',
    };
  if (last.counted === 0)
    return { health: 'look', reason: 'No lap counts', heading: 'No lap of the newest ride counts' };
  const { brakeDrag, brakePeak, brakeReach } = last.summary;
  if (brakePeak === null)
    return {
      health: 'settled',
      reason: lapsText(last.counted, rideCount),
      heading: 'The newest ride says nothing of the brake',
    };
  const peak =
    brakeReach !== null && brakeReach > 0.5 ? 'and reaches 100 %' : `and peaks at ${percent(brakePeak)}`;
  if (brakeDrag !== null && brakeDrag > HARDLY)
    return {
      health: 'look',
      reason: `Brake on in ${percent(brakeDrag)} of full throttle`,
      heading: `The brake drags on ${percent(brakeDrag)} of the full throttle ${peak}`,
    };
  return {
    health: 'settled',
    reason: lapsText(last.counted, rideCount),
    heading: `The brake rests on the straights ${peak}`,
  };
}

const lapsText = (laps: number, rides: number) =>
  `${laps} lap${laps === 1 ? '' : 's'} counted, ${rides} ride${rides === 1 ? '' : 's'} in all`;
