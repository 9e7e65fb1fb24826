import { expectedNext, LEAST_BEFORE } from './history';
import { DRILL_NAMES, type DrillName } from './measureDrill';

const DAY_MS = 86_400_000;
/** Practised on one day, it rests so many days; on two, on three … */
const RESTS_DAYS = [1, 2, 4, 7];

/** Attempts of a drill, as the plan of practice looks at them. */
export interface Practised {
  atMs: number;
  /** Its leading measure; `null` where it could not be told. */
  value: number | null;
}

export interface NextPractice {
  name: DrillName;
  /** Not yet known well enough, or the one that varies most of those that are. */
  why: 'unknown' | 'widest';
  /** Its spread as a share of its mean; `null` of one that is not known yet. */
  spread: number | null;
}

const dayOf = (ms: number) => Math.floor(ms / DAY_MS);

/** When a drill may come next: spaced over days, since what rests between is kept longer. */
export function dueMs(attempts: readonly Practised[]): number {
  if (attempts.length === 0) return 0;
  const days = new Set(attempts.map(({ atMs }) => dayOf(atMs)));
  const today = Math.max(...days);
  const values = attempts.filter(({ value }) => value !== null).length;
  // Until it is known the same day may go on.
  if (values < LEAST_BEFORE) return 0;
  return (today + RESTS_DAYS[Math.min(days.size, RESTS_DAYS.length) - 1]!) * DAY_MS;
}

/**
 * What to practise next: the easiest that is not known yet, else the one whose leading measure spreads most, of those that rested
 * long enough. `null` where all of them rest.
 * @param drills those that the car can be driven in
 */
export function nextPractice(
  attempts: ReadonlyMap<DrillName, readonly Practised[]>,
  nowMs: number,
  drills: readonly DrillName[] = DRILL_NAMES,
): NextPractice | null {
  const of = (name: DrillName) => attempts.get(name) ?? [];
  const known = (name: DrillName) => expectedNext(of(name).flatMap(({ value }) => value ?? []));
  const unknown = DRILL_NAMES.find((name) => drills.includes(name) && known(name) === null);
  if (unknown) return { name: unknown, why: 'unknown', spread: null };
  const due = drills
    .filter((name) => dueMs(of(name)) <= nowMs)
    .map((name) => {
      const { mean, sd } = known(name)!;
      return { name, why: 'widest' as const, spread: mean === 0 ? 0 : sd / Math.abs(mean) };
    });
  return due.toSorted((a, b) => b.spread - a.spread)[0] ?? null;
}
