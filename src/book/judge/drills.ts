import { expectedNext, judgeNext } from '@/core/drills/history';
import { DRILL_NAMES, type DrillName } from '@/core/drills/measureDrill';
import { MERITS } from '@/core/drills/merit';
import { dueMs, nextPractice } from '@/core/drills/practice';
import type { Attempt, DrillLine, DrillsView } from '../model/drillsView';

/** So many attempts are drawn. */
const DRAWN = 30;

const valuesOf = (attempts: readonly Attempt[], measure: string): number[] =>
  attempts.flatMap(({ measures }) => measures[measure] ?? []);

/** Each drill against the driver's own attempts, and what to practise next. */
export function drillsOf(attempts: readonly Attempt[], nowMs: number): Omit<DrillsView, 'hasPlace'> {
  const of = (name: DrillName) => attempts.filter(({ drill }) => drill === name);
  const practised = (name: DrillName) =>
    of(name).map(({ atMs, measures }) => ({ atMs, value: measures[MERITS[name].leading] ?? null }));
  return {
    lines: DRILL_NAMES.map((name) => drillLine(name, of(name), dueMs(practised(name)))),
    next: nextPractice(new Map(DRILL_NAMES.map((name) => [name, practised(name)])), nowMs),
  };
}

function drillLine(name: DrillName, attempts: readonly Attempt[], due: number): DrillLine {
  const { leading, of } = MERITS[name];
  const expected = Object.keys(of).flatMap((measure) => {
    const one = expectedNext(valuesOf(attempts, measure));
    return one ? [[measure, one] as const] : [];
  });
  const last = attempts.at(-1);
  const before = last ? expectedNext(valuesOf(attempts.slice(0, -1), leading)) : null;
  const value = last?.measures[leading];
  return {
    name,
    attempts: attempts.length,
    series: attempts
      .flatMap(({ atMs, measures }) => {
        const one = measures[leading];
        return one === null || one === undefined ? [] : [{ atMs, value: one }];
      })
      .slice(-DRAWN),
    expected: Object.fromEntries(expected),
    last: last
      ? {
          atMs: last.atMs,
          measures: last.measures,
          expected: before,
          judged:
            before && value !== null && value !== undefined ? judgeNext(before, value, of[leading]!) : null,
        }
      : null,
    dueMs: due,
  };
}
