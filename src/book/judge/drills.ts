import { expectedNext } from '@/core/drills/history';
import { drillOf, judgedBy, type DrillName } from '@/core/drills/measureDrill';
import { footOfDrill, straighter } from './footAdvice';
import { drillsFor } from '@/core/drills/possible';
import { nextPractice } from '@/core/drills/practice';
import type { BookView } from '../model/bookView';
import type { Attempt, DrillLine, DrillsView } from '../model/drillsView';

/** So many attempts are drawn. */
const DRAWN = 30;

/** Each drill against the driver's own attempts, and what to practise next. */
export function drillsOf(
  view: Pick<BookView, 'menus' | 'settings' | 'car'>,
  attempts: readonly Attempt[],
  nowMs: number,
): Omit<DrillsView, 'hasPlace'> {
  const names = drillsFor(view.car);
  const of = (name: DrillName) => attempts.filter(({ drill }) => drill === name);
  const practised = (name: DrillName) =>
    of(name).map(({ atMs, measures }) => ({ atMs, value: measures[drillOf(name).leading] ?? null }));
  return {
    lines: names.map((name) => drillLine(view, name, of(name))),
    next: nextPractice(new Map(names.map((name) => [name, practised(name)])), nowMs, names),
  };
}

/** What the settings make of a foot, told from the newest attempt. */
function footLine(
  view: Pick<BookView, 'menus' | 'settings'>,
  name: DrillName,
  last: Attempt | undefined,
): DrillLine['foot'] {
  const foot = drillOf(name).foot;
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
): DrillLine {
  const values = (of: readonly Attempt[]) =>
    of.flatMap(({ measures }) => measures[drillOf(name).leading] ?? []);
  const last = attempts.at(-1);
  const before = expectedNext(values(attempts.slice(0, -1)));
  return {
    name,
    attempts: attempts.length,
    series: attempts
      .flatMap(({ atMs, ...one }) => values([{ atMs, ...one }]).map((value) => ({ atMs, value })))
      .slice(-DRAWN),
    expected: expectedNext(values(attempts)),
    last: last
      ? {
          atMs: last.atMs,
          measures: last.measures,
          expected: before,
          judged: judgedBy(name, last.measures, before),
        }
      : null,
    foot: footLine(view, name, last),
  };
}
