/** So many of the newest logs are looked through for those of a question. */
export const LOGS_MATCHED = 60;

/** A log and when it was driven. */
export interface DatedLog {
  id: string;
  atMs: number;
}

export interface MatchedLogs {
  matched: { place: number; rideId: string }[];
  /** Logs that belong to no planned ride, and the places that stay without a log. */
  strayLogs: string[];
  emptyPlaces: number[];
}

/**
 * Gives each ride of a plan its log by time: the one that began after the ride before was booked and before it was booked
 * itself. Where several did, the last one is it: what was begun again before counts as practice.
 * @param trials rides that were booked as ridden, with when; those with a log keep it
 * @param fromMs when the question was asked
 */
export function matchLogs(
  fromMs: number,
  trials: readonly { place: number; atMs: number; rideId: string | null }[],
  logs: readonly DatedLog[],
): MatchedLogs {
  const ordered = trials.toSorted((a, b) => a.place - b.place);
  const taken = new Set(ordered.flatMap(({ rideId }) => rideId ?? []));
  const matched: MatchedLogs['matched'] = [];
  const emptyPlaces: number[] = [];
  ordered.forEach(({ place, atMs, rideId }, i) => {
    if (rideId !== null) return;
    const since = ordered[i - 1]?.atMs ?? fromMs;
    const own = logs.filter((log) => log.atMs >= since && log.atMs < atMs && !taken.has(log.id));
    const last = own.toSorted((a, b) => a.atMs - b.atMs).at(-1);
    if (!last) {
      emptyPlaces.push(place);
      return;
    }
    taken.add(last.id);
    matched.push({ place, rideId: last.id });
  });
  const strayLogs = logs.filter(({ id, atMs }) => atMs >= fromMs && !taken.has(id)).map(({ id }) => id);
  return { matched, strayLogs, emptyPlaces };
}
