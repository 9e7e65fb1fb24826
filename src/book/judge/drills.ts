import { expectedNext, judgeNext } from '@/core/drills/history';
import { DRILL_NAMES, type DrillName } from '@/core/drills/measureDrill';
import { FOOT_DRILLS, MERITS } from '@/core/drills/merit';
import { footOfDrill, straighter } from './footAdvice';
import { dueMs, nextPractice } from '@/core/drills/practice';
import type { BookView } from '../model/bookView';
import type { Attempt, DrillLine, DrillsView } from '../model/drillsView';

/** So many attempts are drawn. */
const DRAWN = 30;

const valuesOf = (attempts: readonly Attempt[], measure: string): number[] =>
  attempts.flatMap(({ measures }) => measures[measure] ?? []);

/** Each drill against the driver's own attempts, and what to practise next. */
export function drillsOf(
  view: Pick<BookView, 'menus' | 'settings'>,
  attempts: readonly Attempt[],
  nowMs: number,
): Omit<DrillsView, 'hasPlace'> {
  const of = (name: DrillName) => attempts.filter(({ drill }) => drill === name);
  const practised = (name: DrillName) =>
    of(name).map(({ atMs, measures }) => ({ atMs, value: measures[MERITS[name].leading] ?? null }));
  return {
    lines: DRILL_NAMES.map((name) => drillLine(view, name, of(name), dueMs(practised(name)))),
    next: nextPractice(new Map(DRILL_NAMES.map((name) => [name, practised(name)])), nowMs),
  };
}

/** What the settings make of a foot, told from the newest attempt. */
function footLine(
  view: Pick<BookView, 'menus' | 'settings'>,
  name: DrillName,
  last: Attempt | undefined,
): DrillLine['foot'] {
  const foot = FOOT_DRILLS[name];
  const value = foot && last?.measures[foot.measure];
  if (!foot || last?.work === null || last?.work === undefined || typeof value !== 'number') return null;
  const { axis } = foot;
  const { work } = last;
  const part = footOfDrill(view, name, work, value)!;
  return { ...part, axis, work, value, advice: straighter(view, axis, work) };
}

function drillLine(
  view: Pick<BookView, 'menus' | 'settings'>,
  name: DrillName,
  attempts: readonly Attempt[],
  due: number,
): DrillLine {
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
    foot: footLine(view, name, last),
    dueMs: due,
  };
}
