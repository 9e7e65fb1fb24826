import { bettingScore, type BlindPair } from '@/core/experiment/bettingScore';
import { randomizedOrders, committedText, seededCoin } from '@/core/experiment/randomizedOrders';
import type { FinderRide } from '@/core/experiment/finder/answers';
import { findBest } from '@/core/experiment/finder/findBest';
import { freshPlan } from '@/core/experiment/plan';
import type { PairPlan } from '@/core/experiment/questions/pairs';
import type { BestPlan } from '@/core/experiment/questions/best';
import type { Said } from '@/core/experiment/trial';
import { seededRandom, type Random } from '@/core/numeric/random';
import { addAnswer, addExperiment, addTrial, endExperiment } from './experiments';
import type { Database } from './database';
import { sha256 } from './sha256';
import { EVENING, EVENING_ROAD } from './demoEvening';

const DAY_MS = 24 * 3600 * 1000;
const RIDE_MS = 6 * 60_000;
const MOST_PAIRS = 16;

/** Whoever rides one that is felt tells it by so many spreads of their feel; nothing is felt of the other. */
const BLIND: readonly { id: string; daysAgo: number; seed: number; feels: number; plan: PairPlan }[] = [
  {
    id: 'demo-tell-strength',
    daysAgo: 9,
    seed: 5,
    feels: 2.4,
    plan: blindPlan('base/steering/strength', 60, 75),
  },
  {
    id: 'demo-tell-damper',
    daysAgo: 6,
    seed: 8,
    feels: 0,
    plan: blindPlan('base/steering/damper', 34, 38),
  },
];

function blindPlan(key: string, a: number, b: number): PairPlan {
  return {
    ...{ question: 'discriminate', way: 'helper', a: { [key]: a }, b: { [key]: b }, pairs: MOST_PAIRS },
    ...{ lapsPerRide: 1, named: null, dimension: null },
  };
}

/** One setting that is felt, and one that is answered by coin. */
const SEARCHED: readonly {
  id: string;
  daysAgo: number;
  seed: number;
  best: number | null;
  plan: BestPlan;
}[] = [
  {
    id: 'demo-best-damper',
    daysAgo: 8,
    seed: 12,
    best: 0.34,
    plan: {
      question: 'best',
      way: 'title',
      settings: [{ key: 'base/steering/damper', min: 0, max: 100, step: 1 }],
      seed: 12,
      lapsPerRide: 1,
    },
  },
  {
    id: 'demo-best-friction',
    daysAgo: 5,
    seed: 15,
    best: null,
    plan: {
      question: 'best',
      way: 'title',
      settings: [{ key: 'base/steering/friction', min: 0, max: 100, step: 1 }],
      seed: 15,
      lapsPerRide: 1,
    },
  },
];

/** Two blind tests and two searches on the Gannet, answered by somebody whose feel is known, and judged as anybody's are. */
export async function addDemoQuestions(db: Database, nowMs: number): Promise<void> {
  for (const one of BLIND) await addBlind(db, nowMs, one);
  for (const one of SEARCHED) await addSearch(db, nowMs, one);
}

async function addBlind(
  db: Database,
  nowMs: number,
  { id, daysAgo, seed, feels, plan }: (typeof BLIND)[number],
) {
  const startMs = nowMs - daysAgo * DAY_MS;
  const orders = randomizedOrders(MOST_PAIRS, seededCoin(seed));
  const salt = `boathouse-${seed}`;
  const commitment = sha256(committedText(orders, salt));
  const stored = freshPlan(plan, {}, null, commitment);
  const sealed = { orders, salt };
  await addExperiment(db, EVENING, { id, trackId: EVENING_ROAD, plan: stored, atMs: startMs }, sealed);
  const random = seededRandom(seed);
  const pairs: BlindPair[] = [];
  for (const order of orders) {
    if (bettingScore('which', pairs).verdict !== 'open') break;
    const place = pairs.length;
    for (const ride of [2 * place, 2 * place + 1])
      await addTrial(db, id, {
        id: `${id}-${ride + 1}`,
        place: ride,
        outcome: 'ridden',
        rideId: null,
        values: null,
        software: '',
        atMs: startMs + (ride + 1) * RIDE_MS,
      });
    const said = told(order, feels, random);
    pairs.push({ order, ...said });
    await addAnswer(
      db,
      id,
      place,
      { kind: 'pair', ...said, noticed: false },
      startMs + (2 * place + 2) * RIDE_MS + 1000,
    );
  }
  await endExperiment(db, { id, plan: stored, sealed: { ...sealed, loaded: null, files: null } }, 'over');
}

/** Two rides are felt with an error; the stronger feeling is taken for B, and how sure one is follows how clear it was. */
function told(order: 'AB' | 'BA', feels: number, random: Random): Pick<BlindPair, 'answer' | 'sure'> {
  const [first, second] = [...order].map((side) => (side === 'B' ? feels : 0) + random.normal());
  const clear = Math.abs(first! - second!);
  return {
    answer: first! > second! ? 'first' : 'second',
    sure: clear > 2.5 ? 'sure' : clear > 1 ? 'think' : 'guess',
  };
}

async function addSearch(
  db: Database,
  nowMs: number,
  { id, daysAgo, seed, best, plan }: (typeof SEARCHED)[number],
) {
  const startMs = nowMs - daysAgo * DAY_MS;
  const stored = freshPlan(plan, {}, null);
  await addExperiment(db, EVENING, { id, trackId: EVENING_ROAD, plan: stored, atMs: startMs }, null);
  const { key, min, max } = plan.settings[0]!;
  const random = seededRandom(seed);
  const rides: FinderRide[] = [];
  const SIGMA = 0.09;
  const felt = (value: number) => ((value - min) / (max - min) - (best ?? 0)) / SIGMA + random.normal();
  for (;;) {
    const { next } = findBest(plan.settings, rides, plan.seed);
    if (!next) break;
    const place = rides.length;
    const before = rides.at(-1)?.values[key];
    const coin = () => random.uniform() < 0.5;
    const isBetter =
      best === null || before === undefined ? coin() : Math.abs(felt(next[key]!)) < Math.abs(felt(before));
    const isMore = best === null ? coin() : felt(next[key]!) < 0;
    const better = before === undefined ? null : isBetter ? 'this' : 'before';
    const said: Said = { kind: 'feel', better, wants: { [key]: isMore ? 'more' : 'less' } };
    rides.push({ values: next, better, wants: said.wants });
    const atMs = startMs + (place + 1) * RIDE_MS;
    await addTrial(db, id, {
      id: `${id}-${place + 1}`,
      place,
      outcome: 'ridden',
      rideId: null,
      values: next,
      software: '',
      atMs,
    });
    await addAnswer(db, id, place, said, atMs + 1000);
  }
  await endExperiment(db, { id, plan: stored, sealed: null }, 'over');
}
