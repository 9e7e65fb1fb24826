import { normalCdf } from '../numeric/distributions';
import { entropy } from '../numeric/entropy';
import { JND_PER_SIGMA, lapsing } from './finder/answers';

/** Two values of a setting, driven one after the other: was the one that has more of it named? */
export interface NoticedPair {
  /** How far apart they are, as a share of the range, above 0. */
  apart: number;
  isRight: boolean;
}

export interface JustNoticeable {
  /** Median of what is believed, and its 90 % interval; shares of the range. */
  jnd: number;
  low: number;
  high: number;
  /** How far apart the next two should be, of what is offered; `null` once it is known well enough. */
  next: number | null;
}

/**
 * Nothing is believed beforehand between a five-hundredth of the range and six times of it. With what is usual as a prior
 * (a tenth of the range) who notices only half of it, or nothing, was told that they notice less.
 */
const LEAST = 0.002;
const MOST = 6;
const POINTS = 121;
/** The 90 % interval lies within ×/÷ this of its middle. */
const WELL_ENOUGH = 1.6;
const TAIL = 0.05;
/** What is looked at after every pair has to be surer: a few answers that go wrong at the start would end it. */
const RARE = 0.005;
export const MOST_NOTICED = 60;

const LOGS = Array.from(
  { length: POINTS },
  (_, i) => Math.log(LEAST) + (Math.log(MOST / LEAST) * i) / (POINTS - 1),
);
const PRIOR = LOGS.map(() => 1);

/**
 * Just noticeable difference: the distance at which three answers of four are right. Each of two rides is felt with σ, so the
 * right one is named with Φ(apart/(√2·σ)), and JND = σ/1.048; 5 % lapses; the next distance is the one that tells most.
 * Takes mostly 38 to 55 pairs of six-second trials; series of laps are not worth it. It is known well enough as well where
 * it lies below the least that is offered, or above the most.
 * @param offered distances that the title's grid allows, shares of the range
 */
export function justNoticeable(pairs: readonly NoticedPair[], offered: readonly number[]): JustNoticeable {
  let weights = PRIOR;
  for (const { apart, isRight } of pairs)
    weights = normalised(weights.map((w, i) => w * (isRight ? right(apart, i) : 1 - right(apart, i))));
  weights = normalised(weights);
  const at = (share: number) => {
    let sum = 0;
    return Math.exp(LOGS[weights.findIndex((w) => (sum += w) >= share)] ?? LOGS.at(-1)!);
  };
  const [low, jnd, high] = [at(TAIL), at(0.5), at(1 - TAIL)] as const;
  const isOutside = at(1 - RARE) < Math.min(...offered) || at(RARE) > Math.max(...offered);
  const isKnown = isOutside || high / low <= WELL_ENOUGH ** 2 || pairs.length >= MOST_NOTICED;
  return { jnd, low, high, next: isKnown ? null : mostTelling(weights, offered) };
}

/** Chance of a right answer where the JND is the i-th of the grid. */
function right(apart: number, i: number): number {
  const sigma = Math.exp(LOGS[i]!) / JND_PER_SIGMA;
  return lapsing(normalCdf(apart / (Math.SQRT2 * sigma)));
}

const normalised = (weights: readonly number[]) => {
  const total = weights.reduce((a, w) => a + w, 0);
  return weights.map((w) => w / total);
};

function mostTelling(weights: readonly number[], offered: readonly number[]): number {
  const told = (apart: number) => {
    const chances = weights.map((_, i) => right(apart, i));
    const mean = weights.reduce((a, w, i) => a + w * chances[i]!, 0);
    return entropy(mean) - weights.reduce((a, w, i) => a + w * entropy(chances[i]!), 0);
  };
  let [best, most] = [offered[0]!, -Infinity];
  for (const apart of offered) {
    const tells = told(apart);
    if (tells > most + 1e-12) [best, most] = [apart, tells];
  }
  return best;
}
