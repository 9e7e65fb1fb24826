'use server';
import { ridden, OUTCOMES, ratingsSchema, saidSchema, type Said } from '@/core/experiment/trial';

import {
  rulesOf,
  settingsOf,
  pairedSides,
  decidedValues,
  isBlind,
  isPairPlan,
  isToLearn,
  planSchema,
  sidesOfPlan,
} from '@/core/experiment/questions';
import { randomBytes, randomInt, randomUUID } from 'node:crypto';
import { z } from 'zod';
import { randomizedOrders, committedText } from '@/core/experiment/randomizedOrders';
import { LOGS_MATCHED } from '@/core/experiment/matchLogs';
import type { Ratings } from '@/core/experiment/pairedRatings';
import { DECISIONS, freshPlan, type Decision } from '@/core/experiment/plan';
import type { Side } from '@/core/experiment/planParts';
import { MOST_PAIRS } from '@/core/experiment/planRides';
import type { Problem } from '@/core/problem';
import { preflightStamp, softwareOf } from '@/core/ready/preflight';
import type { RideRow } from '@/core/rides/rideRow';
import { checkChange } from '@/core/settings/menus';
import { changedBetween, keyOfText, type SettingValues } from '@/core/settings/setting';
import { effectiveSettings, valuesOf } from '@/core/settings/trail';
import { withDraft } from '@/core/settings/withDraft';
import { idSchema } from '@/core/text/line';
import {
  addAnswer,
  addExperiment,
  addTrial,
  changePlan,
  decideExperiment,
  endExperiment,
  nameRide,
  openExperiment,
  rateRide,
  type ExperimentRow,
} from '@/data/experiments';
import { listTitles } from '@/data/ownTitles';
import { newestLogs, ridesOf } from '@/data/rides';
import { titleVersion } from '@/data/readiness';
import { chosenRoad } from '@/data/road';
import { sha256 } from '@/data/sha256';
import { changedElsewhere, logsFor } from '../judge/experiments';
import type { RequestContext } from '../read/requestContext';
import { applyInTransaction, openSettings, type OpenSettings } from './applyChanges';
import { commandHere } from './command';
import {
  ENOUGH_PAIRS,
  NAME_ONE,
  NO_LOGS,
  NO_RIDING_ON,
  NO_SUCH_RIDE,
  NOT_LOADED,
  NOT_OVER,
  NOT_RIDDEN,
  NOTHING_TO_KEEP,
  NOTHING_TO_LOOK_AT,
  ONE_AT_A_TIME,
  OTHER_RIDE,
  otherSettings,
  outOfTurn,
} from './experimentProblems';
import { filesSchema, sealedFiles } from './experimentFiles';
import { onTurn, overIfDone, settingsNow, stepOf, withExperiment } from './experimentTurn';
import { parseInput } from './parseInput';
import { DONE, refused, type Reply } from './reply';

const SALT_BYTES = 16;
const place = z.int().min(0).max(1000);

/** Asks a question of settings: what is ridden is drawn now, and stays. */
export async function askQuestion(
  asked: z.input<typeof planSchema>,
  given: z.input<typeof filesSchema> = null,
): Promise<Reply> {
  const plan = parseInput(planSchema, asked);
  if (!plan.ok) return refused(...plan.problems);
  const files = parseInput(filesSchema, given);
  if (!files.ok) return refused(...files.problems);
  const slots = sealedFiles(plan.value, files.value);
  if (!slots.ok) return refused(...slots.problems);
  return commandHere(async (here) => {
    if (await openExperiment(here.book, here.combination)) return refused(ONE_AT_A_TIME);
    const open = await openSettings(here);
    const basis = valuesOf(effectiveSettings(open.events, here.combination));
    const wrong = sidesOfPlan(plan.value)
      .map((side) => wrongSide(open, basis, side))
      .find((problem) => problem !== null);
    if (wrong) return refused(wrong);
    const pairs = rulesOf(plan.value.question).pairs(plan.value);
    const orders = pairs === null ? null : randomizedOrders(pairs, coin);
    const isSealed = isBlind(plan.value);
    const salt = randomBytes(SALT_BYTES).toString('hex');
    await addExperiment(
      here.book,
      here.combination,
      {
        id: randomUUID(),
        trackId: await roadHere(here),
        plan: isSealed
          ? freshPlan(plan.value, basis, null, sha256(committedText(orders!, salt)))
          : freshPlan(plan.value, basis, orders),
      },
      isSealed ? { orders: orders!, salt, files: slots.value } : null,
    );
    return DONE;
  });
}

const coin = () => randomInt(2) as 0 | 1;

async function roadHere({ book, combination }: RequestContext): Promise<string> {
  const { trackIds } = (await listTitles(book)).byId(combination.titleId);
  const chosen = await chosenRoad(book, combination);
  return trackIds.find((id) => id === chosen) ?? trackIds[0]!;
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
    const step = stepOf(row);
    if (step.kind !== 'ride' || step.place !== said.value.place) return refused(outOfTurn(step));
    const isRidden = outcome === 'ridden';
    if (isRidden) {
      const elsewhere = changedElsewhere(row, await settingsNow(here));
      if (elsewhere.length > 0) return refused(otherSettings(elsewhere));
      const { loaded } = row.sealed ?? {};
      if (row.sealed && (loaded?.place !== step.place || loaded.what !== 'ride')) return refused(NOT_LOADED);
    }
    const [ride] = rideId === null ? [] : await ridesOf(here.book, here.combination, [rideId]);
    if (rideId !== null && !ride) return refused(NO_SUCH_RIDE);
    if (ride && !isAsAsked(row, step.values, ride)) return refused(OTHER_RIDE);
    await addTrial(here.book, id, {
      id: randomUUID(),
      place: step.place,
      outcome,
      rideId: isRidden ? rideId : null,
      software: softwareOf(
        preflightStamp(here.rig.spec, await titleVersion(here.book, here.combination.titleId)),
      ),
      values:
        isRidden && rulesOf(row.plan.asked.question).isLed ? (step.values as Record<string, number>) : null,
    });
    return overIfDone(here, id);
  });
}

/** What is driven here went through what the step asks for and nothing else; no ride is counted twice. */
function isAsAsked({ plan, trials }: ExperimentRow, values: Side, ride: RideRow): boolean {
  if (trials.some(({ rideId }) => rideId === ride.id)) return false;
  return (
    (plan.asked.way !== 'simulated' && plan.asked.way !== 'here') ||
    changedBetween(withDraft(plan.basis, values), ride.settings).length === 0
  );
}

const answerSchema = z.strictObject({ id: idSchema, place, said: saidSchema });

/** Says what was asked after a pair, or a ride. */
export async function sayAnswer(answer: { id: string; place: number; said: Said }): Promise<Reply> {
  const given = parseInput(answerSchema, answer);
  if (!given.ok) return refused(...given.problems);
  const { id, said } = given.value;
  return onTurn(id, async (here, row) => {
    const step = stepOf(row);
    const isFitting = step.kind === 'answer' && (step.ask === 'feel') === (said.kind === 'feel');
    if (!isFitting || step.place !== given.value.place) return refused(outOfTurn(step));
    if (step.ask === 'more' && said.kind === 'pair' && said.answer === 'none' && !said.noticed)
      return refused(NAME_ONE);
    await addAnswer(here.book, id, step.place, withApart(row, said));
    return overIfDone(here, id);
  });
}

/** An answer with how far apart its pair was, where that goes from pair to pair; what a page says of it is not believed. */
function withApart({ plan, sealed, trials, answers }: ExperimentRow, said: Said): Said {
  if (said.kind !== 'pair') return said;
  const { kind, answer, sure, noticed } = said;
  const plain = { kind, answer, sure, noticed };
  const { asked } = plan;
  if (isPairPlan(asked)) return plain;
  const sides = pairedSides(asked, { orders: sealed?.orders ?? [], trials, answers });
  if (!sides) return plain;
  const [key] = settingsOf(asked);
  const [a, b] = [sides.a, sides.b].map((side) => side[key!] as number);
  return { ...plain, apart: Math.abs(b! - a!) };
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

/** Shows what a comparison says before its planned end; from then on every look claims at a stricter level. */
export async function lookNow(id: string): Promise<Reply> {
  return onTurn(id, async (here, row) => {
    if (!rulesOf(row.plan.asked.question).isCompared) return refused(NOTHING_TO_LOOK_AT);
    await changePlan(here.book, row.id, { ...row.plan, isLooked: true });
    return DONE;
  });
}

/** Ends a question before its planned end: that is a look as well. */
export async function endEarly(id: string): Promise<Reply> {
  return onTurn(id, async (here, { ...row }) => {
    row.plan = { ...row.plan, isLooked: true };
    const { tellsWhenBroken } = rulesOf(row.plan.asked.question);
    const tells = tellsWhenBroken({ ridden: ridden(row.trials).length, answers: row.answers });
    await endExperiment(here.book, row, tells ? 'over' : 'given up');
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
    if (!isPairPlan(asked) || !rulesOf(asked.question).isCompared || row.state === 'open' || !orders)
      return refused(NO_RIDING_ON);
    if (await openExperiment(here.book, here.combination)) return refused(ONE_AT_A_TIME);
    const driven = Math.ceil(row.trials.filter(({ outcome }) => outcome === 'ridden').length / 2);
    const most = driven + wanted.value.pairs;
    if (most > MOST_PAIRS) return refused(ENOUGH_PAIRS);
    const more = [...orders.slice(0, driven), ...randomizedOrders(wanted.value.pairs, coin)];
    await changePlan(here.book, row.id, {
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
    if (isToLearn(row.plan.asked.question)) return refused(NOTHING_TO_KEEP);
    const applied = await applyInTransaction(
      here,
      Object.entries(decidedValues(row.plan, row, wanted.value.decision)).map(([key, to]) => ({
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

/** Gives rides that were driven in a title their logs, by when they were driven. */
export async function takeLogs(id: string): Promise<Reply> {
  return withExperiment(id, async (here, row) => {
    const logs = await newestLogs(here.book, here.combination, LOGS_MATCHED);
    const { matched } = logsFor(row, logs);
    if (matched.length === 0) return refused(NO_LOGS);
    for (const { place: at, rideId } of matched)
      await nameRide(here.book, row.trials.find((t) => t.place === at && t.outcome === 'ridden')!.id, rideId);
    return DONE;
  });
}
