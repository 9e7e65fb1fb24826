import { chiSquareQuantile, studentQuantile } from '../numeric/distributions';
import { LEVEL, POWER, LEAST_RIDE_SHARE } from './rideModel';

/** How much laps of one driver spread by themselves, in a measure's own unit. */
export interface Spread {
  sigma: number;
  /** It is no larger than this with 80 % confidence: few laps do not tell how much they spread. */
  upper: number;
  /** Degrees of freedom behind it. */
  df: number;
}

const CONFIDENCE = 0.8;

/**
 * Spread of a measure from ride to ride alike: of its laps about the mean of their own ride.
 * @param rides a measure's values by ride
 * @returns `null` where no ride has two laps
 */
export function spreadOf(rides: readonly (readonly number[])[]): Spread | null {
  let squares = 0;
  let df = 0;
  for (const laps of rides) {
    if (laps.length < 2) continue;
    const middle = laps.reduce((a, v) => a + v, 0) / laps.length;
    squares += laps.reduce((a, v) => a + (v - middle) ** 2, 0);
    df += laps.length - 1;
  }
  if (df === 0) return null;
  return {
    sigma: Math.sqrt(squares / df),
    upper: Math.sqrt(squares / chiSquareQuantile(1 - CONFIDENCE, df)),
    df,
  };
}

/** What is planned: pairs of one ride of A and one of B, of so many counted laps each. */
export interface Plan {
  pairs: number;
  lapsPerRide: number;
}

/** (t₀.₉₇₅ + t₀.₈), the first for one of so many measures. */
const reach = (df: number, measures: number) =>
  studentQuantile(1 - (1 - LEVEL) / (2 * measures), df) + studentQuantile(POWER, df);

/**
 * Laps a side that show a true difference of `times` lap spreads 4 times in 5: the least n with x/σ ≥ (t₀.₉₇₅ + t₀.₈)·√(2/n).
 * @param times difference over spread, above 0
 * @param measures 1 where the measure is named beforehand, else as many as are shown (Bonferroni, the first step of Holm)
 * @returns `null` where it takes more than 10,000
 * @example one spread takes 17 laps named, 30 among twelve; a third of one 143
 */
export function lapsToShow(times: number, measures = 1): number | null {
  return least(2, MOST_LAPS, (n) => times >= reach(2 * n - 2, measures) * Math.sqrt(2 / n));
}

/**
 * How many times the closed form the decision itself needs to show a difference 4 times in 5, by pairs from 2 on (the last one
 * also beyond): the ride's own spread has to be told as well, and from six pairs on flips decide, which ask more. Counted with
 * `compareRides` on 80 to 400 evenings each, rides that spread half as much as laps, 1 to 5 laps a ride, the worst of these;
 * between the numbers of pairs that were counted (2 to 8, 10, 12, 16 named) the greater neighbour.
 */
const DECISION_NEEDS = {
  named: [5.9, 1.45, 1.2, 1.15, 1.55, 1.3, 1.22, 1.22, 1.15],
  all: [44, 2.5, 1.6, 1.26, 2.1, 1.45, 1.4, 1.4, 1.28],
};

const decisionNeeds = (pairs: number, measures: number): number => {
  const table = measures === 1 ? DECISION_NEEDS.named : DECISION_NEEDS.all;
  return table[Math.min(pairs - 2, table.length - 1)] ?? Infinity;
};

/**
 * Least true difference that a plan shows 4 times in 5, in spreads of a lap: rides differ by themselves, the trend takes a
 * degree of freedom, and the decision is as strict as it is. Six pairs show less than five, since flips of pairs decide from
 * six on.
 */
export function visibleWith({ pairs, lapsPerRide }: Plan, measures = 1): number {
  const df = 2 * pairs * lapsPerRide - 3;
  if (!(df >= 2)) return Infinity;
  const variance = (2 * (1 + LEAST_RIDE_SHARE * lapsPerRide)) / (pairs * lapsPerRide);
  return decisionNeeds(pairs, measures) * reach(df, measures) * Math.sqrt(variance);
}

/** The fewest pairs that show a difference of `times` lap spreads; `null` where more than {@link MOST_PAIRS} would be needed. */
export function pairsToShow(times: number, lapsPerRide: number, measures = 1): number | null {
  for (let pairs = 1; pairs <= MOST_PAIRS; pairs++)
    if (times >= visibleWith({ pairs, lapsPerRide }, measures)) return pairs;
  return null;
}

const MOST_LAPS = 10_000;
/** More pairs than these nobody drives of one question. */
export const MOST_PAIRS = 16;

/** The usual plan: what a driver drives before it is late. */
export const USUAL_PLAN: Plan = { pairs: 4, lapsPerRide: 2 };

/** What it will take and what can be seen, from a driver's own spread: both ends of what is known of that. */
export interface Outlook {
  /** Differences from this size on are seen 4 times in 5, in the measure's unit: as the spread is, and as it may be. */
  visible: number;
  visibleAtWorst: number;
  minutes: number;
}

/**
 * @param measures 1 where the measure is named beforehand
 * @param lapS seconds of a lap; an out-lap is driven before each ride, and its settings loaded in half a minute
 */
export function outlook(plan: Plan, { sigma, upper }: Spread, measures: number, lapS: number): Outlook {
  const times = visibleWith(plan, measures);
  return { visible: times * sigma, visibleAtWorst: times * upper, minutes: minutesOf(plan, lapS) };
}

const LOADING_S = 30;

/** How long a plan takes, in minutes. */
export const minutesOf = ({ pairs, lapsPerRide }: Plan, lapS: number) =>
  (2 * pairs * ((lapsPerRide + 1) * lapS + LOADING_S)) / 60;

function least(from: number, to: number, holds: (n: number) => boolean): number | null {
  if (!holds(to)) return null;
  let [low, high] = [from, to];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (holds(middle)) high = middle;
    else low = middle + 1;
  }
  return low;
}
