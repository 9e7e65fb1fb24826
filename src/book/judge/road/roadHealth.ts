import type { ComparedRow } from './verdict';
import type { BookView } from '../../model/bookView';
import type { Finding, StationHealth, StationId } from '../../model/stationHealth';
import { forceFinding, type ForceFacts } from '../force';
import { lockFinding, type LockJudged } from '../lock';
import { axesFinding, axisToLookAt, type AxisFacts } from './axes';
import { cardFinding } from './card';
import { readyFinding } from './ready';
import { rideFinding } from './ride';
import { shapeFinding, type ShapedAxis } from './shape';
import { verdictFinding } from './verdict';

/** What the road looks at: a part of the book. */
export type RoadFacts = Omit<LockJudged, 'axes'> &
  ForceFacts &
  Pick<
    BookView,
    'typedIn' | 'title' | 'settings' | 'ready' | 'proof' | 'rideCount' | 'newestRide' | 'rig' | 'asking'
  > & {
    axes: (AxisFacts & ShapedAxis)[];
    /** The newest of all rides, as many as are looked at, and those that are marked. */
    rides: readonly ComparedRow[];
  };

const STATIONS: { id: StationId; name: string; find(facts: RoadFacts): Finding }[] = [
  { id: 'ready', name: 'Ready', find: readyFinding },
  { id: 'axes', name: 'Axes', find: axesFinding },
  { id: 'shape', name: 'Shape', find: shapeFinding },
  { id: 'lock', name: 'Lock', find: lockFinding },
  { id: 'force', name: 'Force', find: forceFinding },
  { id: 'ride', name: 'Ride', find: rideFinding },
  {
    id: 'verdict',
    name: 'Verdict',
    find: verdictFinding,
  },
  { id: 'card', name: 'Card', find: cardFinding },
];

/** State, reason and heading of every station, in working order: the road shows the one, the station the other. */
export function roadHealth(facts: RoadFacts): StationHealth[] {
  const axis = axisToLookAt(facts.axes)?.axis;
  return STATIONS.map(({ id, name, find }) => ({
    id,
    name,
    path: id === 'axes' && axis ? `/axes/${axis}` : `/${id}`,
    ...find(facts),
  }));
}

/** What a station says of what is kept. */
export function findingOf({ road }: Pick<BookView, 'road'>, id: StationId): Finding {
  return road.find((station) => station.id === id)!;
}
