import type { Noticed } from '@/core/experiment/noticed';
import {
  isPairPlan,
  planOf,
  rulesOf,
  settingsOf,
  type ExperimentPlan,
  type Question,
} from '@/core/experiment/questions';
import { USUAL_PLAN } from '@/core/experiment/planRides';
import { stretchFor } from '@/core/driving/stretch';
import { keyOfText } from '@/core/settings/setting';
import type { BookView } from '../model/bookView';
import type { RecentChange } from '../model/experimentView';
import { askableSettings, type AskableSetting } from './askable';
import { isFeltHere } from './livePlan';

/** A value that can be told from the one that is set: a tenth of the range away, or what its driver just notices. */
export function anotherValue(
  { field, value }: Pick<AskableSetting, 'field' | 'value'>,
  noticed?: Noticed,
): number {
  const steps = noticed
    ? Math.ceil(noticed.value / field.step - 1e-9)
    : Math.max(1, Math.round((field.max - field.min) / 10 / field.step));
  const up = value + steps * field.step;
  const down = value - steps * field.step;
  // What cannot be told apart within the menu is asked at its farther end.
  const farther = field.max - value >= value - field.min ? field.max : field.min;
  return Number((up <= field.max ? up : down >= field.min ? down : farther).toFixed(9));
}

/** How far a search goes to either side of what is set where nobody says so: a third of the range. */
const REACH = 3;

function aroundNow({ key, field, value }: AskableSetting) {
  const steps = Math.round((field.max - field.min) / REACH / field.step);
  const on = (v: number) => Number(Math.min(field.max, Math.max(field.min, v)).toFixed(9));
  return {
    key,
    min: on(value - steps * field.step),
    max: on(value + steps * field.step),
    step: field.step,
  };
}

/**
 * The question that a driver in the seat most likely has: of the setting that was changed last, what it was against what it is.
 * Whoever wants another one plans it at the desk.
 * @returns `null` where nothing can be set
 */
export function seatQuestion(
  view: Pick<BookView, 'menus' | 'settings' | 'known'>,
  recent: readonly RecentChange[],
  question: Question,
  isSimulated: boolean,
  seed: number,
): ExperimentPlan | null {
  const all = askableSettings(view);
  const changed = recent.find(({ key }) => all.some((one) => one.key === key));
  const setting = all.find(({ key }) => key === changed?.key) ?? all[0];
  if (!setting) return null;
  const { key, field, value } = setting;
  const ask = changed ? numbers(changed.from ?? field.neutral, changed.to ?? field.neutral) : null;
  const [a, b] = ask ?? [value, anotherValue(setting, view.known?.[key])];
  const { ways, chooses, isCompared } = rulesOf(question);
  if (chooses === 'sides' && a === b) return null;
  return planOf(question, {
    ...{ key, menu: field, value, sides: { a, b }, ranges: [aroundNow(setting)], seed },
    ...{ ...USUAL_PLAN, stretch: null, named: isCompared ? 'lapTimeS' : null, dimension: null },
    way: ways.find((way) => (way === 'simulated') === (isSimulated && ways.includes('simulated')))!,
  });
}

/** The same asked of a driver on our own roads, where what differs is felt in some seconds: blind questions of one who is alone. */
export function drivenHere(plan: ExperimentPlan): ExperimentPlan {
  const stretch = stretchFor(keyOfText(settingsOf(plan)[0]!).axis);
  const short = { way: 'here', lapsPerRide: 1, stretch } as const;
  return isPairPlan(plan) ? { ...plan, ...short } : { ...plan, ...short };
}

/** Whether it can be: its ends feel otherwise here. */
export function canBeDrivenHere(view: BookView, plan: ExperimentPlan): boolean {
  const { isCompared, ends } = rulesOf(plan.question);
  if (isCompared || plan.way === 'simulated') return false;
  return ends(plan).every(({ a, b }) => isFeltHere(view, a, b));
}

const numbers = (a: unknown, b: unknown): [number, number] | null =>
  typeof a === 'number' && typeof b === 'number' && a !== b ? [a, b] : null;
