import { tabledNormalCdf } from '../../numeric/distributions';
import { lapsing, USUAL_SIGMA, type Told } from './answers';
import type { Belief } from './belief';

const PLACES = 41;
const GRID = Array.from({ length: PLACES }, (_, i) => i / (PLACES - 1));
/** Multiples of the usual σ, and how usual they are. */
const SIGMAS = [0.4, 0.63, 1, 1.6, 2.5].map((times) => times * USUAL_SIGMA);
const SIGMA_PRIOR = [0.1, 0.25, 0.3, 0.25, 0.1];
/** How a feel may bend along a scale: w(x) = x^γ. Without it a bent scale gives confident nonsense. */
const BENDS = [0.5, 0.71, 1, 1.41, 2];
/** Where the slope of the bend is taken at least: at 0 it has none, or no end. */
const LEAST_SLOPE_AT = 0.05;
const TAIL = 0.05;

/** Every best value, σ and bend that is thought of. */
interface State {
  place: number;
  sigma: number;
  bend: number;
  /** w(s), and √2·σ·w′(s). */
  felt: number;
  noise: number;
}

const STATES: readonly State[] = GRID.flatMap((s, place) =>
  SIGMAS.flatMap((sigma) =>
    BENDS.map((bend) => ({
      place,
      sigma,
      bend,
      felt: s ** bend,
      noise: Math.SQRT2 * sigma * bend * Math.max(s, LEAST_SLOPE_AT) ** (bend - 1),
    })),
  ),
);

/** The ends of the grid stand for half a cell. */
const PRIOR = Float64Array.from(STATES, ({ place, sigma }) => {
  const cell = (place === 0 || place === PLACES - 1 ? 0.5 : 1) / (PLACES - 1);
  return (cell * SIGMA_PRIOR[SIGMAS.indexOf(sigma)]!) / BENDS.length;
});

/**
 * The chance that a ride at x is felt as better than one at y: both are felt with the same error, so the nearer one is told
 * by the sign of (w(x) − w(y))·(w(x) + w(y) − 2·w(s)), whose two factors are independent.
 */
function preferred({ felt, noise }: State, wx: number, wy: number): number {
  const u = tabledNormalCdf((wx - wy) / noise);
  const v = tabledNormalCdf((wx + wy - 2 * felt) / noise);
  return u * (1 - v) + (1 - u) * v;
}

const wantsMore = ({ felt, noise }: State, wx: number) => tabledNormalCdf((Math.SQRT2 * (felt - wx)) / noise);

/**
 * One setting: a grid of 41 best values × 5 σ × 5 bends, Bayes' rule answer by answer.
 * @example 0 wants more; 100 is worse than it and wants less → mean .310, 90 % from .05 to .675, JND .111
 */
export function believeOne(told: readonly Told[]): Belief {
  const weights = Float64Array.from(PRIOR);
  let logPredictive = 0;
  for (const one of told) {
    let total = 0;
    STATES.forEach((state, i) => {
      const here = one.at[0]! ** state.bend;
      const p =
        one.kind === 'better' ? preferred(state, here, one.before[0]! ** state.bend) : wantsMore(state, here);
      weights[i]! *= lapsing((one.kind === 'better' ? one.isThis : one.isMore) ? p : 1 - p);
      total += weights[i]!;
    });
    logPredictive += Math.log(total);
    for (let i = 0; i < weights.length; i++) weights[i]! /= total;
  }
  const marginal = new Float64Array(PLACES);
  let sigma = 0;
  STATES.forEach((state, i) => {
    marginal[state.place]! += weights[i]!;
    sigma += weights[i]! * state.sigma;
  });
  const mean = GRID.reduce((sum, s, place) => sum + s * marginal[place]!, 0);
  return {
    settings: [{ mean, low: quantileOf(marginal, TAIL), high: quantileOf(marginal, 1 - TAIL), sigma }],
    logPredictive,
    tells: (at, before) => toldBest(weights, marginal, at[0]!, before?.[0] ?? null),
  };
}

function quantileOf(marginal: Float64Array, share: number): number {
  let sum = 0;
  const place = marginal.findIndex((p) => (sum += p) >= share);
  return GRID[place < 0 ? PLACES - 1 : place]!;
}

/** Mutual information of a ride's answers with the best value, over all σ and bends. */
function toldBest(weights: Float64Array, marginal: Float64Array, x: number, y: number | null): number {
  // By best value: the chance of better and more, of better and less, of worse and more, of worse and less.
  const outcomes = [0, 1, 2, 3].map(() => new Float64Array(PLACES));
  const here = new Map(BENDS.map((bend) => [bend, x ** bend]));
  const there = y === null ? null : new Map(BENDS.map((bend) => [bend, y ** bend]));
  for (let i = 0; i < STATES.length; i++) {
    const weight = weights[i]!;
    if (weight < NEGLIGIBLE) continue;
    const state = STATES[i]!;
    const wx = here.get(state.bend)!;
    const more = lapsing(wantsMore(state, wx));
    const better = there ? lapsing(preferred(state, wx, there.get(state.bend)!)) : 1;
    outcomes[0]![state.place]! += weight * better * more;
    outcomes[1]![state.place]! += weight * better * (1 - more);
    outcomes[2]![state.place]! += weight * (1 - better) * more;
    outcomes[3]![state.place]! += weight * (1 - better) * (1 - more);
  }
  let information = 0;
  for (const joint of outcomes) {
    const total = joint.reduce((a, v) => a + v, 0);
    if (total <= 0) continue;
    for (let place = 0; place < PLACES; place++) {
      const p = joint[place]!;
      if (p > 0) information += p * Math.log(p / (total * marginal[place]!));
    }
  }
  return information;
}

/** States that weigh less than this tell nothing of where to ride next. */
const NEGLIGIBLE = 1e-6;
