'use server';

import { randomBytes, randomInt, randomUUID } from 'node:crypto';
import { z } from 'zod';
import { coinOrders, committedText, type PairOrder } from '@/core/experiment/coinOrders';
import { nextStep } from '@/core/experiment/course';
import {
  DECISIONS,
  isBlind,
  isPairPlan,
  OUTCOMES,
  planSchema,
  ratingsSchema,
  saidSchema,
  settingsOf,
  type Decision,
  type ExperimentPlan,
  type Said,
  type Side,
} from '@/core/experiment/plan';
import { findBest } from '@/core/experiment/finder/findBest';
import { searchedRides } from '@/core/experiment/course';
import { MOST_PAIRS } from '@/core/experiment/planRides';
import type { Ratings } from '@/core/experiment/pairedRatings';
import type { Problem } from '@/core/problem';
import { checkChange } from '@/core/settings/menus';
import { keyOfText, type SettingValue, type SettingValues } from '@/core/settings/setting';
import { effectiveSettings, valuesOf } from '@/core/settings/trail';
import { idSchema } from '@/core/text/line';
import {
  addAnswer,
  addExperiment,
  addTrial,
  decideExperiment,
  endExperiment,
  experimentOf,
  extendExperiment,
  nameRide,
  openExperiment,
  rateRide,
  sayLoaded,
  type ExperimentRow,
} from '@/data/experiments';
import { listTitles } from '@/data/ownTitles';
import { newestLogs, ridesOf } from '@/data/rides';
import { chosenRoad } from '@/data/road';
import { changedElsewhere, courseOf, logsFor } from '../judge/experiments';
import { sha256 } from '../read/readExperiments';
import type { Here } from '../read/here';
import { applyInside, openSettings, type OpenSettings } from './applyChanges';
import { commandHere } from './command';
import { parseInput } from './parseInput';
import { DONE, refused, type Reply } from './reply';

const SALT_BYTES = 16;
const LOGS_LOOKED_AT = 60;
const place = z.int().min(0).max(1000);

/** Asks a question of settings: what is ridden is drawn now, and stays. */
export async function askQuestion(asked: z.input<typeof planSchema>): Promise<Reply> {
  const plan = parseInput(planSchema, asked);
  if (!plan.ok) return refused(...plan.problems);
  return commandHere(async (here) => {
    if (await openExperiment(here.book, here.combination)) return refused(ONE_AT_A_TIME);
    const open = await openSettings(here);
    const basis = valuesOf(effectiveSettings(open.events, here.combination));
    const wrong = sidesOfPlan(plan.value)
      .map((side) => wrongSide(open, basis, side))
      .find((problem) => problem !== null);
    if (wrong) return refused(wrong);
    const orders = isPairPlan(plan.value) ? coinOrders(plan.value.pairs, coin) : null;
    const isSealed = isBlind(plan.value);
    const salt = randomBytes(SALT_BYTES).toString('hex');
    await addExperiment(
      here.book,
      here.combination,
      {
        id: randomUUID(),
        trackId: await roadHere(here),
        plan: {
          asked: plan.value,
          basis,
          orders: isSealed ? null : orders,
          commitment: isSealed ? sha256(committedText(orders!, salt)) : null,
          salt: null,
          isExtended: false,
        },
      },
      isSealed ? { orders: orders!, salt } : null,
    );
    return DONE;
  });
}

const coin = () => randomInt(2) as 0 | 1;

async function roadHere({ book, combination }: Here): Promise<string> {
  const { trackIds } = (await listTitles(book)).byId(combination.titleId);
  const chosen = await chosenRoad(book, combination);
  return trackIds.find((id) => id === chosen) ?? trackIds[0]!;
}

/** Every set of values that a plan may ask for. */
function sidesOfPlan(plan: ExperimentPlan): Side[] {
  if (isPairPlan(plan)) return [plan.a, plan.b];
  if (plan.question === 'best')
    return plan.settings.flatMap(({ key, min, max }) => [{ [key]: min }, { [key]: max }]);
  const { key, min, max } = plan.setting;
  return [{ [key]: min }, { [key]: max }, { [key]: plan.back }];
}

function wrongSide({ menus }: OpenSettings, basis: SettingValues, side: Side): Problem | null {
  let values = basis;
  for (const [key, to] of Object.entries(side)) {
    const checked = checkChange(menus, values, keyOfText(key), to);
    if (!checked.ok) return checked.problems[0]!;
    values = checked.value;
  }
  return null;
}

const trialSchema = z.strictObject({
  id: idSchema,
  place,
  outcome: z.enum(OUTCOMES),
  rideId: idSchema.nullable().default(null),
});

/** Books a ride that was asked for: how it went, and its log where there is one. */
export async function bookTrial(trial: z.input<typeof trialSchema>): Promise<Reply> {
  const said = parseInput(trialSchema, trial);
  if (!said.ok) return refused(...said.problems);
  const { id, outcome, rideId } = said.value;
  return onTurn(id, async (here, row) => {
    const step = nextStep(courseOf(rowFacts(row)));
    if (step.kind !== 'ride' || step.place !== said.value.place) return refused(outOfTurn(row, step));
    const isRidden = outcome === 'ridden';
    if (isRidden) {
      const elsewhere = changedElsewhere(row, await settingsNow(here));
      if (elsewhere.length > 0) return refused(otherSettings(elsewhere));
      const { loaded } = row.sealed ?? {};
      if (row.sealed && (loaded?.place !== step.place || loaded.what !== 'ride')) return refused(NOT_LOADED);
    }
    if (rideId !== null && (await ridesOf(here.book, here.combination, [rideId])).length === 0)
      return refused(NO_SUCH_RIDE);
    await addTrial(here.book, id, {
      id: randomUUID(),
      place: step.place,
      outcome,
      rideId: isRidden ? rideId : null,
    });
    return overIfDone(here, id);
  });
}

const answerSchema = z.strictObject({ id: idSchema, place, said: saidSchema });

/** Says what was asked after a pair, or a ride. */
export async function sayAnswer(answer: { id: string; place: number; said: Said }): Promise<Reply> {
  const given = parseInput(answerSchema, answer);
  if (!given.ok) return refused(...given.problems);
  const { id, said } = given.value;
  return onTurn(id, async (here, row) => {
    const step = nextStep(courseOf(rowFacts(row)));
    const isFitting = step.kind === 'answer' && (step.ask === 'feel') === (said.kind === 'feel');
    if (!isFitting || step.place !== given.value.place) return refused(outOfTurn(row, step));
    await addAnswer(here.book, id, step.place, said);
    return overIfDone(here, id);
  });
}

const rateSchema = z.strictObject({ id: idSchema, place, ratings: ratingsSchema });

/** Rates a ride that was driven. */
export async function rate(rated: { id: string; place: number; ratings: Ratings }): Promise<Reply> {
  const given = parseInput(rateSchema, rated);
  if (!given.ok) return refused(...given.problems);
  return withExperiment(given.value.id, async (here, row) => {
    if (!row.trials.some((trial) => trial.place === given.value.place && trial.outcome === 'ridden'))
      return refused(NOT_RIDDEN);
    await rateRide(here.book, row.id, given.value.place, given.value.ratings as Ratings);
    return DONE;
  });
}

/** Ends a question before its planned end. */
export async function endEarly(id: string): Promise<Reply> {
  return onTurn(id, async (here, row) => {
    // Laps that were driven can be compared at any time; a search or a blind test that is broken off shows nothing.
    await endExperiment(
      here.book,
      row,
      row.plan.asked.question === 'change' && row.trials.length > 0 ? 'over' : 'given up',
    );
    return DONE;
  });
}

const moreSchema = z.strictObject({ id: idSchema, pairs: z.int().min(1).max(8) });

/** Rides on after the planned end: so many more pairs. */
export async function rideOn(id: string, pairs: number): Promise<Reply> {
  const wanted = parseInput(moreSchema, { id, pairs });
  if (!wanted.ok) return refused(...wanted.problems);
  return withExperiment(wanted.value.id, async (here, row) => {
    const { asked, orders } = row.plan;
    if (!isPairPlan(asked) || asked.question !== 'change' || row.state === 'open' || !orders)
      return refused(NO_RIDING_ON);
    if (await openExperiment(here.book, here.combination)) return refused(ONE_AT_A_TIME);
    const driven = Math.ceil(row.trials.filter(({ outcome }) => outcome === 'ridden').length / 2);
    const most = driven + wanted.value.pairs;
    if (most > MOST_PAIRS) return refused(ENOUGH_PAIRS);
    const more = [...orders.slice(0, driven), ...coinOrders(wanted.value.pairs, coin)] as PairOrder[];
    await extendExperiment(here.book, row.id, {
      ...row.plan,
      asked: { ...asked, pairs: most },
      orders: more,
      isExtended: true,
    });
    return DONE;
  });
}

const decisionSchema = z.strictObject({
  id: idSchema,
  decision: z.enum(DECISIONS),
  why: z.string().min(1).max(900),
});

/** Keeps what a question found, or puts back what was there before it: as changes on the trail. */
export async function decide(id: string, decision: Decision, why: string): Promise<Reply> {
  const wanted = parseInput(decisionSchema, { id, decision, why });
  if (!wanted.ok) return refused(...wanted.problems);
  return withExperiment(wanted.value.id, async (here, row) => {
    if (row.state === 'open') return refused(NOT_OVER);
    const applied = await applyInside(
      here,
      Object.entries(decidedValues(row, wanted.value.decision)).map(([key, to]) => ({
        ...keyOfText(key),
        to,
        why: wanted.value.why,
        forEveryone: false,
        thisTitleOnly: false,
      })),
    );
    if (!applied.ok) return applied;
    await decideExperiment(here.book, row.id, wanted.value.decision);
    return DONE;
  });
}

/** Kept is B, the best value that was found, or what was there; put back is A, or what was there. */
function decidedValues(
  { plan, answers }: ExperimentRow,
  decision: Decision,
): Record<string, SettingValue | null> {
  const { asked, basis } = plan;
  if (isPairPlan(asked)) return decision === 'kept' ? asked.b : asked.a;
  const before = Object.fromEntries(settingsOf(asked).map((key) => [key, basis[key] ?? null]));
  if (asked.question !== 'best' || decision === 'put back') return before;
  const { best } = findBest(asked.settings, searchedRides({ answers }, asked), asked.seed);
  return Object.fromEntries(Object.entries(best).map(([key, { value }]) => [key, value]));
}

/** Gives rides that were driven in a title their logs, by when they were driven. */
export async function takeLogs(id: string): Promise<Reply> {
  return withExperiment(id, async (here, row) => {
    const logs = await newestLogs(here.book, here.combination, LOGS_LOOKED_AT);
    const { matched } = logsFor(row, logs);
    if (matched.length === 0) return refused(NO_LOGS);
    for (const { place: at, rideId } of matched)
      await nameRide(here.book, row.trials.find((t) => t.place === at && t.outcome === 'ridden')!.id, rideId);
    return DONE;
  });
}

const loadedSchema = z.strictObject({ id: idSchema, place, what: z.enum(['neutral', 'ride']) });

/** The helper says what is loaded: first the neutral values, then the ride's. They can say nothing else. */
export async function helperLoaded(said: z.input<typeof loadedSchema>): Promise<Reply> {
  const loaded = parseInput(loadedSchema, said);
  if (!loaded.ok) return refused(...loaded.problems);
  const { id, what } = loaded.value;
  return onTurn(id, async (here, row) => {
    const step = nextStep(courseOf(rowFacts(row)));
    if (!row.sealed || step.kind !== 'ride' || step.place !== loaded.value.place)
      return refused(NOTHING_TO_LOAD);
    const before = row.sealed.loaded;
    if (what === 'ride' && before?.place !== step.place) return refused(NEUTRAL_FIRST);
    await sayLoaded(here.book, id, { place: step.place, what });
    return DONE;
  });
}

const rowFacts = (row: ExperimentRow) => ({
  experiment: row,
  orders: row.sealed?.orders ?? row.plan.orders ?? [],
});

async function withExperiment(
  asked: string,
  work: (here: Here, row: ExperimentRow) => Promise<Reply>,
): Promise<Reply> {
  const id = parseInput(idSchema, asked);
  if (!id.ok) return refused(...id.problems);
  return commandHere(async (here) => {
    const row = await experimentOf(here.book, here.combination, id.value);
    return row ? work(here, row) : refused(NO_SUCH_QUESTION);
  });
}

/** The same of a question that is under way. */
const onTurn = (id: string, work: (here: Here, row: ExperimentRow) => Promise<Reply>): Promise<Reply> =>
  withExperiment(id, async (here, row) => (row.state === 'open' ? work(here, row) : refused(IS_OVER)));

async function overIfDone(here: Here, id: string): Promise<Reply> {
  const row = (await experimentOf(here.book, here.combination, id))!;
  if (nextStep(courseOf(rowFacts(row))).kind === 'over') await endExperiment(here.book, row, 'over');
  return DONE;
}

async function settingsNow(here: Here): Promise<SettingValues> {
  const { events } = await openSettings(here);
  return valuesOf(effectiveSettings(events, here.combination));
}

const say = (code: string, message: string, remedy: string): Problem => ({
  code,
  message,
  place: {},
  remedy,
});

const ONE_AT_A_TIME = say(
  'question-open',
  'Another question is under way here.',
  'Answer it first, or end it.',
);
const NO_SUCH_QUESTION = say('no-such-question', 'There is no such question here.', 'Reload the page.');
const IS_OVER = say('question-over', 'This question is over.', 'Reload the page: another window ended it.');
const NOT_OVER = say('question-open', 'This question is not answered yet.', 'Ride on, or end it first.');
const NO_SUCH_RIDE = say('no-ride', 'There is no such ride here.', 'Ride again.');
const NOT_RIDDEN = say('not-ridden', 'That ride was not driven.', 'Rate one that was.');
const NOT_LOADED = say(
  'not-loaded',
  'The helper has not said yet that it is loaded.',
  'Wait for them, then drive.',
);
const NOTHING_TO_LOAD = say('nothing-to-load', 'Nothing is to be loaded now.', 'Wait for the driver.');
const NEUTRAL_FIRST = say(
  'neutral-first',
  'The neutral values come first, every time.',
  'Load them, say so, then load the ride’s.',
);
const NO_LOGS = say(
  'no-logs',
  'No log lies in the time of these rides.',
  'Take the evening’s logs in under Ride first; their notes say when they were driven.',
);
const NO_RIDING_ON = say(
  'no-riding-on',
  'Only laps that were compared can be ridden on.',
  'Ask the question again.',
);
const ENOUGH_PAIRS = say(
  'enough-pairs',
  `More than ${MOST_PAIRS} pairs nobody drives of one question.`,
  'What was not shown by now is smaller than you would notice.',
);

function outOfTurn({ plan }: ExperimentRow, step: ReturnType<typeof nextStep>): Problem {
  const next =
    step.kind === 'ride'
      ? `Ride ${step.place + 1} comes next.`
      : step.kind === 'answer'
        ? `The answer to ${plan.asked.question === 'best' || plan.asked.question === 'what' ? 'ride' : 'pair'} ${step.place + 1} comes next.`
        : 'It is over.';
  return say(
    'out-of-turn',
    'That is not what comes next: another window went on.',
    `${next} Nothing was counted twice.`,
  );
}

const otherSettings = (keys: readonly string[]): Problem =>
  say(
    'changed-meanwhile',
    `${keys.length === 1 ? 'Another setting was' : `${keys.length} other settings were`} changed since this question was asked.`,
    'The ride was not counted. Put that back on the trail and ride again, or end this question.',
  );
