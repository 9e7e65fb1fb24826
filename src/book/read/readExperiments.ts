import {
  rulesOf,
  nextStep,
  isPairPlan,
  isToLearn,
  settingsOf,
  type ExperimentPlan,
} from '@/core/experiment/questions';
import 'server-only';
import { committedText } from '@/core/experiment/randomizedOrders';
import { ridden } from '@/core/experiment/trial';
import type { Noticed } from '@/core/experiment/noticed';
import { loadFirst } from '@/core/experiment/loadFirst';
import { menuField, type Menus } from '@/core/settings/menus';
import { combinationText, type Combination } from '@/core/settings/scope';
import { keyOfText, keyText, sameValue } from '@/core/settings/setting';
import { listChanges } from '@/data/changes';
import type { Database } from '@/data/database';
import { EVENING, eveningProgress } from '@/data/demoEvening';
import { LOGS_MATCHED } from '@/core/experiment/matchLogs';
import { sha256 } from '@/data/sha256';
import {
  driversExperiments,
  experimentOf,
  newestExperiments,
  openExperiment,
  type ExperimentRow,
} from '@/data/experiments';
import { newestLogs } from '@/data/rides';
import { experimentLine, settingWords } from '../judge/experimentWords';
import { experimentView, logsFor, ownSpread } from '../judge/experiments';
import { comparePair, pairFinding } from '../judge/road/verdict';
import { changeItem } from '../judge/trail';
import type { BookView, TrailChange } from '../model/bookView';
import type { Asking, ExperimentView, HelperView, RecentChange, VerdictView } from '../model/experimentView';
import type { SettingKnown } from '../model/settingKnown';
import { cautionsFor } from '../judge/cautionsFor';
import { noticedOf, settingKnown } from '../judge/settingKnown';
import type { RequestContext } from './requestContext';
import { memo } from './memo';
import { ridesShown, rideViewsOf } from './readRides';
import { changesIn } from './readTrail';

/** So many questions are listed. */
const LISTED = 8;

/** What Verdict's first page shows: the question under way, those before it, and this driver's own spread on this road. */
export async function verdictView(here: RequestContext, view: BookView): Promise<VerdictView> {
  const { book, combination } = here;
  const [rows, { rides }] = await Promise.all([
    newestExperiments(book, combination, LISTED),
    ridesShown(book, combination),
  ]);
  const shown = await Promise.all(rows.map((row) => viewOf(here, view, row)));
  return {
    open: shown.find(({ state }) => state === 'open') ?? null,
    past: shown.filter(({ state }) => state !== 'open').map((one) => experimentLine(view, one)),
    spread: ownSpread(rides, { kind: 'described', id: view.trackId }),
    recent: await recentIn(here, view),
    filling: combinationText(combination) === combinationText(EVENING) ? eveningProgress() : null,
    pair: comparePair(rides) && pairFinding({ rides, rideCount: view.rideCount }, comparePair(rides)).heading,
  };
}

/** So many changes are offered. */
const RECENT = 6;

/** The newest changes that can be asked about, or felt. */
export const recentIn = async (
  { book, combination, rig }: RequestContext,
  view: BookView,
): Promise<RecentChange[]> => recentChanges(view, changesIn(await listChanges(book, rig.id), combination));

/** The newest changes that hold, one of each setting: what it was before the last one, and is. */
function recentChanges(view: BookView, changes: readonly TrailChange[]): RecentChange[] {
  const seen = new Set<string>();
  return changes
    .toReversed()
    .flatMap((change) => {
      const key = keyText(change.key);
      if (!change.live || seen.has(key) || sameValue(change.from, change.to)) return [];
      seen.add(key);
      if (Array.isArray(change.from) || Array.isArray(change.to)) return [];
      return [{ id: change.id, what: changeItem(view, change).what, key, from: change.from, to: change.to }];
    })
    .slice(0, RECENT);
}

/** The question that the road speaks of: the one under way, or the last one where nothing was decided yet. */
export async function askingIn(book: Database, combination: Combination): Promise<Asking | null> {
  const [newest] = await newestExperiments(book, combination, 1);
  const row = (await openExperiment(book, combination)) ?? newest;
  if (!row || row.state === 'given up') return null;
  const { asked } = row.plan;
  if (row.state === 'over' && (row.decision !== null || isToLearn(asked.question))) return null;
  return {
    question: asked.question,
    isOpen: row.state === 'open',
    ridden: ridden(row.trials).length,
    of: rulesOf(asked.question).rides(asked),
  };
}

/** The question under way here whose rides are driven on our roads; `null` where there is none. */
export async function askedHere(here: RequestContext, view: BookView): Promise<ExperimentView | null> {
  const row = await openExperiment(here.book, here.combination);
  return row?.plan.asked.way === 'here' ? viewOf(here, view, row) : null;
}

/** What a helper has to load, and nothing else; `null` where nothing is to be loaded now. */
export async function readHelper(
  here: RequestContext,
  view: BookView,
  id: string,
): Promise<HelperView | null> {
  const row = await experimentOf(here.book, here.combination, id);
  if (!row?.sealed || row.plan.asked.way !== 'helper' || row.state !== 'open') return null;
  const { trials, answers } = row;
  const step = nextStep(row.plan.asked, { orders: row.sealed.orders, trials, answers });
  if (step.kind !== 'ride') return { id, step: null };
  const { loaded } = row.sealed;
  const said = loaded?.place === step.place ? loaded.what : null;
  const words = settingWords(view);
  const values = Object.entries(step.values).map(([key, value]) => ({
    name: words.name(key),
    neutral: words.value(key, firstOf(view, row.plan.asked, key)),
    value: words.value(key, value),
  }));
  return {
    id,
    step: { place: step.place, said, values, cautions: cautionsFor(view, Object.keys(step.values)) },
  };
}

/** What is loaded before A or B of a setting; `null` where it has no number. */
function firstOf(view: Pick<BookView, 'menus'>, asked: ExperimentPlan, key: string): number | null {
  const field = menuField(view.menus, keyOfText(key));
  if (!field || !isPairPlan(asked)) return null;
  const [a, b] = [asked.a[key] ?? field.neutral, asked.b[key] ?? field.neutral];
  return typeof a === 'number' && typeof b === 'number' ? loadFirst(field, [a, b]) : null;
}

/** The file of the ride that comes next, for a driver who is alone; `null` where there is none. */
export async function readSlot(
  { book, combination }: RequestContext,
  id: string,
  place: number,
): Promise<{ name: string; base64: string } | null> {
  const row = await experimentOf(book, combination, id);
  if (!row?.sealed?.files || row.state !== 'open') return null;
  const { orders, files } = row.sealed;
  const step = nextStep(row.plan.asked, { orders, trials: row.trials, answers: row.answers });
  if (step.kind !== 'ride' || step.place !== place || step.side === null) return null;
  // Every one has the same name but for its number, so that a title lists them alike.
  return { name: `ride-${place + 1}${files.ending}`, base64: step.side === 'A' ? files.a : files.b };
}

/** One question of a combination; `null` where there is none of that name. */
export async function readExperiment(
  here: RequestContext,
  view: BookView,
  id: string,
): Promise<ExperimentView | null> {
  const row = await experimentOf(here.book, here.combination, id);
  return row && viewOf(here, view, row);
}

/** All that this driver's questions say of one setting of the open title on this rig, whatever the car. */
export async function readKnown(here: RequestContext, view: BookView, key: string): Promise<SettingKnown> {
  const rows = await driversExperiments(here.book, here.combination, (plan) =>
    settingsOf(plan).includes(key),
  );
  return settingKnown(view, key, await Promise.all(rows.map((row) => viewOf(here, view, row))));
}

/** What this driver just notices of those settings that a search or a blind test was about. */
export async function readNoticed(here: RequestContext, menus: Menus): Promise<Record<string, Noticed>> {
  const rows = await driversExperiments(
    here.book,
    here.combination,
    ({ question }, state) => state === 'over' && rulesOf(question).tellsNoticed,
  );
  const facts = { menus, settings: {} };
  const shown = await Promise.all(rows.map((row) => viewOf(here, facts, row)));
  const keys = [...new Set(shown.flatMap(({ asked }) => settingsOf(asked)))];
  return Object.fromEntries(
    keys.flatMap((key) => {
      const of = shown.filter(({ asked }) => settingsOf(asked).includes(key));
      const noticed = noticedOf(facts, key, of);
      return noticed ? [[key, noticed]] : [];
    }),
  );
}

type Judged = Pick<BookView, 'settings'>;

/** One that is over says the same until somebody does something with it. */
function viewOf(here: RequestContext, view: Judged, row: ExperimentRow): Promise<ExperimentView> {
  const judged = () => judgedNow(here, view, row);
  return row.state === 'open'
    ? judged()
    : memo(here.book, `question:${row.id}:${sha256(JSON.stringify(row))}`, judged);
}

async function judgedNow(
  { book }: RequestContext,
  view: Judged,
  row: ExperimentRow,
): Promise<ExperimentView> {
  const { plan, trials, sealed, scope } = row;
  const ids = trials.flatMap(({ rideId }) => rideId ?? []);
  const isByLogs = plan.asked.way === 'title' && rulesOf(plan.asked.question).isCompared;
  const [rides, logs] = await Promise.all([
    rideViewsOf(book, scope, ids),
    isByLogs ? newestLogs(book, scope, LOGS_MATCHED) : [],
  ]);
  const { strayLogs, matched } = logsFor(row, logs);
  return experimentView({
    experiment: row,
    orders: sealed?.orders ?? plan.orders ?? [],
    rides,
    strayLogs: row.state === 'open' ? strayLogs.length + matched.length : 0,
    settings: view.settings,
    isLoaded: (place) => sealed?.loaded?.place === place && sealed.loaded.what === 'ride',
    commitmentHolds: holds(row),
  });
}

/** Whether the orders that were told are those that were promised; `null` where nothing was, or nothing is told yet. */
function holds({ plan: { orders, salt, commitment } }: ExperimentRow): boolean | null {
  if (commitment === null || orders === null || salt === null) return null;
  return sha256(committedText(orders, salt)) === commitment;
}
