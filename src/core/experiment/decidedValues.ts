import type { SettingValue } from '../settings/setting';
import { searchedRides } from './course';
import { findBest } from './finder/findBest';
import { isPairPlan, settingsOf, type Decision, type Experiment } from './plan';

/** Kept is B, the best value that was found, or what was there; put back is A, or what was there. */
export function decidedValues(
  { plan, trials, answers }: Pick<Experiment, 'plan' | 'trials' | 'answers'>,
  decision: Decision,
): Record<string, SettingValue | null> {
  const { asked, basis } = plan;
  if (isPairPlan(asked)) return decision === 'kept' ? asked.b : asked.a;
  const before = Object.fromEntries(settingsOf(asked).map((key) => [key, basis[key] ?? null]));
  if (asked.question !== 'best' || decision === 'put back') return before;
  const { best } = findBest(asked.settings, searchedRides({ trials, answers }), asked.seed);
  return Object.fromEntries(Object.entries(best).map(([key, { value }]) => [key, value]));
}
