import { and, asc, desc, eq, inArray } from 'drizzle-orm';
import { z } from 'zod';
import type { PairOrder } from '@/core/experiment/randomizedOrders';
import type { Ratings } from '@/core/experiment/pairedRatings';
import {
  DECISIONS,
  EXPERIMENT_STATES,
  storedPlanSchema,
  type Decision,
  type Experiment,
  type StoredPlan,
} from '@/core/experiment/plan';
import { dimensionSchema } from '@/core/experiment/planParts';
import { isBlind, type ExperimentPlan } from '@/core/experiment/questions';
import { OUTCOMES, saidSchema, trialValuesSchema, type Said, type Trial } from '@/core/experiment/trial';
import type { Combination } from '@/core/settings/scope';
import { bookTime } from './bookTime';
import type { Database } from './database';
import { ofCombination } from './ofCombination';
import { answers, experiments, ratings, sealedOrders, trials } from './schema';

/** What the helper of a blind test has loaded for the ride at a place. */
const loadedSchema = z.strictObject({ place: z.int().min(0), what: z.enum(['neutral', 'ride']) });
export type Loaded = z.output<typeof loadedSchema>;

/** The two slots, their bytes as base64. */
const filesSchema = z.strictObject({ ending: z.string(), a: z.string(), b: z.string() });
export type SealedFiles = z.output<typeof filesSchema>;

const sealedSchema = z.object({
  orders: z.array(z.enum(['AB', 'BA'])),
  salt: z.string(),
  loaded: loadedSchema.nullable(),
  files: filesSchema.nullable(),
});
/** The orders of a blind test that is not over. */
type Sealed = z.output<typeof sealedSchema>;

/** A question as it is stored. */
export interface ExperimentRow extends Experiment {
  trials: (Trial & { id: string })[];
  /** Of a blind test under way. Only the server may look at it. */
  sealed: Sealed | null;
  /** Where it was asked. */
  scope: Combination;
}

/** The newest questions of a combination, the newest first. */
export async function newestExperiments(
  db: Database,
  scope: Combination,
  most: number,
): Promise<ExperimentRow[]> {
  const rows = await db
    .select()
    .from(experiments)
    .where(ofCombination(experiments, scope))
    .orderBy(desc(experiments.at), desc(experiments.id))
    .limit(most);
  return wholeRows(db, rows);
}

/** So many of the newest questions are looked through for those of a setting. */
const LOOKED_THROUGH = 60;

/**
 * What a driver asked of a title's settings on a rig, in any car, the newest first.
 * @param isAsked by what is asked; what it leaves out is not read further
 */
export async function driversExperiments(
  db: Database,
  { rigId, titleId, driver }: Pick<Combination, 'rigId' | 'titleId' | 'driver'>,
  isAsked: (plan: ExperimentPlan, state: string) => boolean,
): Promise<ExperimentRow[]> {
  const rows = await db
    .select()
    .from(experiments)
    .where(
      and(eq(experiments.rigId, rigId), eq(experiments.titleId, titleId), eq(experiments.driver, driver)),
    )
    .orderBy(desc(experiments.at), desc(experiments.id))
    .limit(LOOKED_THROUGH);
  const asked = rows.filter(({ plan, state }) => isAsked(storedPlanSchema.parse(plan).asked, state));
  return wholeRows(db, asked);
}

/** One question of a combination; `null` where there is none of that name. */
export async function experimentOf(
  db: Database,
  scope: Combination,
  id: string,
): Promise<ExperimentRow | null> {
  const [row] = await db
    .select()
    .from(experiments)
    .where(and(ofCombination(experiments, scope), eq(experiments.id, id)));
  return row ? (await wholeRows(db, [row]))[0]! : null;
}

/** The question that is under way in a combination. */
export async function openExperiment(db: Database, scope: Combination): Promise<ExperimentRow | null> {
  const rows = await db
    .select()
    .from(experiments)
    .where(and(ofCombination(experiments, scope), eq(experiments.state, 'open')))
    .orderBy(desc(experiments.at), desc(experiments.id))
    .limit(1);
  const [row] = await wholeRows(db, rows);
  return row?.state === 'open' ? row : null;
}

type Row = typeof experiments.$inferSelect;

/** What belongs to questions, each kind of it asked for once. */
async function wholeRows(db: Database, rows: readonly Row[]): Promise<ExperimentRow[]> {
  if (rows.length === 0) return [];
  const ids = rows.map(({ id }) => id);
  const [ridden, said, rated, sealed] = await Promise.all([
    db
      .select()
      .from(trials)
      .where(inArray(trials.experimentId, ids))
      .orderBy(asc(trials.place), asc(trials.at)),
    db.select().from(answers).where(inArray(answers.experimentId, ids)).orderBy(asc(answers.place)),
    db.select().from(ratings).where(inArray(ratings.experimentId, ids)).orderBy(asc(ratings.place)),
    db.select().from(sealedOrders).where(inArray(sealedOrders.experimentId, ids)),
  ]);
  return rows.map((row) => {
    const own = <T extends { experimentId: string }>(all: readonly T[]) =>
      all.filter(({ experimentId }) => experimentId === row.id);
    return wholeRow(row, own(ridden), own(said), own(rated), own(sealed));
  });
}

function wholeRow(
  row: Row,
  ridden: readonly (typeof trials.$inferSelect)[],
  said: readonly (typeof answers.$inferSelect)[],
  rated: readonly (typeof ratings.$inferSelect)[],
  sealed: readonly (typeof sealedOrders.$inferSelect)[],
): ExperimentRow {
  const plan = storedPlanSchema.parse(row.plan);
  const state = z.enum(EXPERIMENT_STATES).parse(row.state);
  const kept = sealed[0] ? sealedSchema.parse(sealed[0]) : null;
  // A book that was restored does not know the orders of a test that was under way.
  const isLost = state === 'open' && isBlind(plan.asked) && kept === null;
  return {
    id: row.id,
    atMs: row.at.getTime(),
    trackId: row.trackId,
    plan,
    state: isLost ? 'given up' : state,
    decision: z.enum(DECISIONS).nullable().parse(row.decision),
    trials: ridden.map(({ id, place, at, outcome, rideId, values, software }) => ({
      id,
      place,
      atMs: at.getTime(),
      outcome: z.enum(OUTCOMES).parse(outcome),
      rideId,
      values: trialValuesSchema.parse(values),
      software,
    })),
    answers: said.map(({ place, at, said: what }) => ({
      place,
      atMs: at.getTime(),
      said: saidSchema.parse(what),
    })),
    ratings: [...new Set(rated.map(({ place }) => place))].map((place) => ({
      place,
      of: Object.fromEntries(
        rated
          .filter((one) => one.place === place)
          .map(({ dimension, rating }) => [dimensionSchema.parse(dimension), rating]),
      ),
    })),
    sealed: kept,
    scope: {
      rigId: row.rigId,
      titleId: row.titleId,
      carId: row.carId,
      driver: row.driver,
      branch: row.branch,
    },
  };
}

export interface NewExperiment {
  id: string;
  trackId: string;
  plan: StoredPlan;
  atMs?: number;
}

/** Writes a question, inside a transaction. @param sealed the orders of a blind test, apart from everything that is shown */
export async function addExperiment(
  inside: Database,
  scope: Combination,
  { id, trackId, plan, atMs }: NewExperiment,
  sealed: { orders: readonly PairOrder[]; salt: string; files?: SealedFiles | null } | null,
): Promise<void> {
  const { rigId, titleId, carId, driver, branch } = scope;
  await inside.insert(experiments).values({
    id,
    at: new Date(atMs ?? (await bookTime(inside))),
    rigId,
    titleId,
    carId,
    driver,
    branch,
    trackId,
    plan: storedPlanSchema.parse(plan),
    state: 'open',
    decision: null,
  });
  if (sealed) await inside.insert(sealedOrders).values({ experimentId: id, ...sealed, loaded: null });
}

export async function addTrial(
  inside: Database,
  experimentId: string,
  { id, atMs, ...trial }: Omit<Trial, 'atMs'> & { id: string; atMs?: number },
): Promise<void> {
  await inside
    .insert(trials)
    .values({ id, experimentId, ...trial, at: new Date(atMs ?? (await bookTime(inside))) });
}

/** Gives a ride that was booked its log. */
export async function nameRide(inside: Database, trialId: string, rideId: string): Promise<void> {
  await inside.update(trials).set({ rideId }).where(eq(trials.id, trialId));
}

export async function addAnswer(
  inside: Database,
  experimentId: string,
  place: number,
  said: Said,
  atMs?: number,
): Promise<void> {
  await inside
    .insert(answers)
    .values({ experimentId, place, said, at: new Date(atMs ?? (await bookTime(inside))) });
}

/** Rates a ride; what was said of it before is replaced. */
export async function rateRide(
  inside: Database,
  experimentId: string,
  place: number,
  rated: Ratings,
): Promise<void> {
  await inside.delete(ratings).where(and(eq(ratings.experimentId, experimentId), eq(ratings.place, place)));
  const rows = Object.entries(rated).map(([dimension, rating]) => ({
    experimentId,
    place,
    dimension,
    rating,
  }));
  if (rows.length > 0) await inside.insert(ratings).values(rows);
}

/** Ends a question; the orders of a blind test are told now. */
export async function endExperiment(
  inside: Database,
  { id, plan, sealed }: Pick<ExperimentRow, 'id' | 'plan' | 'sealed'>,
  state: 'over' | 'given up',
): Promise<void> {
  const told = sealed ? { ...plan, orders: sealed.orders, salt: sealed.salt } : plan;
  await inside
    .update(experiments)
    .set({ state, plan: storedPlanSchema.parse(told) })
    .where(eq(experiments.id, id));
  await inside.delete(sealedOrders).where(eq(sealedOrders.experimentId, id));
}

/** Goes on with a question: looked at, or with more pairs in an order that was drawn just now. */
export async function changePlan(inside: Database, id: string, plan: StoredPlan): Promise<void> {
  await inside
    .update(experiments)
    .set({ state: 'open', decision: null, plan: storedPlanSchema.parse(plan) })
    .where(eq(experiments.id, id));
}

export async function decideExperiment(inside: Database, id: string, decision: Decision): Promise<void> {
  await inside.update(experiments).set({ decision }).where(eq(experiments.id, id));
}

/** What the helper says is loaded. */
export async function sayLoaded(inside: Database, id: string, loaded: Loaded): Promise<void> {
  await inside.update(sealedOrders).set({ loaded }).where(eq(sealedOrders.experimentId, id));
}

/** Which of some rides were driven for a question, and as which of its rides. */
export async function ridesAsked(
  db: Database,
  rideIds: readonly string[],
): Promise<{ rideId: string; place: number; plan: StoredPlan }[]> {
  if (rideIds.length === 0) return [];
  const rows = await db
    .select({ rideId: trials.rideId, place: trials.place, plan: experiments.plan })
    .from(trials)
    .innerJoin(experiments, eq(experiments.id, trials.experimentId))
    .where(inArray(trials.rideId, [...rideIds]));
  return rows.map(({ rideId, place, plan }) => ({
    rideId: rideId!,
    place,
    plan: storedPlanSchema.parse(plan),
  }));
}
