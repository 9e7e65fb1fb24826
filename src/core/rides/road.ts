import type { RideLog } from './rideLog';

/** Where a ride was driven: on a road that is described here, or, for a log from elsewhere, on one that only the log knows. */
export type Road = { kind: 'described'; id: string } | { kind: 'own'; name: string };

/** The longest name of a road that is kept. */
export const LONGEST_ROAD = 80;

/** What a log's own road is called until the driver says so. */
const UNNAMED = 'a road of its own';

/**
 * The road of a ride. An imported log never takes the road that happened to be open: its own is what its note `track` says,
 * else it is known by the file alone.
 * @param openId the road that was open when the ride was taken in
 */
export function roadOf(openId: string, notes: RideLog['notes']): Road {
  if (notes['source'] !== IMPORTED) return { kind: 'described', id: openId };
  const said = notes['track'] ?? notes['file'];
  return { kind: 'own', name: said === undefined || said === '' ? UNNAMED : said };
}

/** What the note `source` says of a ride that was driven here by own hands and feet. */
export const DRIVEN = 'driven';

/** What the note `source` of an imported ride says. */
export const IMPORTED = 'imported';

/** An attempt of a drill, or a part of a test run, that was driven here: it has no laps. A log that was taken in from elsewhere is a ride, whatever its notes say. */
export const isAttempt = (notes: RideLog['notes']): boolean =>
  (notes['drill'] ?? notes['part']) !== undefined && notes['source'] !== IMPORTED;

/** Only rides of the same road can be compared. */
export function isSameRoad(a: Road, b: Road): boolean {
  if (a.kind === 'own') return b.kind === 'own' && a.name === b.name;
  return b.kind === 'described' && a.id === b.id;
}
