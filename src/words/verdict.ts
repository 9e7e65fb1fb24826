import {
  effectShown,
  type Comparison,
  type ComparisonWarning,
  type RidesCompared,
  type Untold,
} from '@/core/experiment/compareRides';
import { AT_END } from '@/core/experiment/alphaSpending';
import { DIMENSIONS, type RatedDimension } from '@/core/experiment/pairedRatings';
import type { Way } from '@/core/experiment/planParts';
import { MEASURES } from '@/core/rides/measures';
import { signed } from './format';
import { SENTENCES, rides, laps } from './verdictSentences';

/** How many rides and counted laps stand behind each side. */
export interface Sides {
  ridesA: number;
  ridesB: number;
}

export const WAY_WORDS: Record<Way, string> = {
  simulated: 'The simulated driver',
  title: 'I drive in the title',
  helper: 'I drive, a helper loads',
  files: 'I am alone and load a file',
  here: 'I drive here, alone',
};

/** Claimed at 5 % over all measures that are shown. */
export const isShown = ({ verdict }: Pick<Comparison, 'verdict'>): boolean => verdict === 'differs';

/** A heading says so much; the table has the rest. */
const MOST_SAID = 3;

/** Less drag than this is none. */
const HARDLY = 0.005;

const find = (comparisons: readonly Comparison[], name: Comparison['name']) =>
  comparisons.find((c) => c.name === name);

/** A probability as a table shows it: never as nothing. */
export const chanceText = (p: number) => (p < 0.005 ? '< 0.01' : p.toFixed(2));

/** "0.33 s" and how far the 95 % interval goes: "(0.17 to 0.49)". */
function timeSaid(time: Comparison): string {
  const { difference, interval } = effectShown(time);
  const [low, high] = interval.map(Math.abs).sort((a, b) => a - b) as [number, number];
  return SENTENCES.lapDiffers(
    `${Math.abs(difference).toFixed(2)} s`,
    difference < 0,
    low.toFixed(2),
    high.toFixed(2),
  );
}

/**
 * One sentence that says what is shown of B against A, most telling first. One ride a side speaks of that ride and not of the
 * setting; what is not shown is said to be not shown, with what it can be at most.
 */
export function verdictSentence(comparisons: readonly Comparison[], { ridesA, ridesB }: Sides): string {
  const shown = comparisons.filter(isShown);
  const named = shown.find(({ isNamed }) => isNamed);
  const inOrder = [
    named,
    ...['brakeDrag', 'brakeReach', 'lapTimeS'].map((name) => find(shown, name as Comparison['name'])),
    ...shown,
  ];
  const all = [...new Set(inOrder.filter((c) => c !== undefined))];
  const told = all.slice(0, MOST_SAID).map(differenceSaid);
  if (told.length === 0) return notShown(comparisons);
  return Math.min(ridesA, ridesB) > 1 ? SENTENCES.withB(told) : SENTENCES.inRideB(told);
}

function differenceSaid(c: Comparison): string {
  if (c.name === 'brakeReach') return SENTENCES.reaches(c);
  if (c.name === 'lapTimeS') return timeSaid(c);
  if (c.name !== 'brakeDrag') return SENTENCES.measureDiffers(c);
  return c.meanB < HARDLY ? SENTENCES.dragGone(c) : SENTENCES.dragsInstead(c);
}

function notShown(comparisons: readonly Comparison[]): string {
  if (comparisons.length === 0) return SENTENCES.tooFew();
  const named = comparisons.find(({ isNamed }) => isNamed);
  if (named && named.name !== 'lapTimeS') return SENTENCES.namedAtMost(named);
  const time = find(comparisons, 'lapTimeS');
  return time ? SENTENCES.lapAtMost(time) : SENTENCES.nothingShown();
}

/** How far that can be trusted, as a sentence; where nothing was changed there is nothing to ride again for. */
export function trustSentence(
  comparisons: readonly Comparison[],
  { ridesA, ridesB }: Sides,
  { isChanged = true, isEarly = false } = {},
): string {
  const first = comparisons[0];
  if (!first) return SENTENCES.tooFewWhy();
  const against = `${laps(first.nA)} in ${rides(ridesA)} against ${laps(first.nB)} in ${rides(ridesB)}`;
  if (!isChanged) return SENTENCES.onlySpread(against);
  if (Math.min(ridesA, ridesB) < 2) return SENTENCES.settingOrRide(against);
  const shown = comparisons.filter(isShown).length;
  return isEarly
    ? SENTENCES.trendEarly(against, shown, comparisons.length)
    : SENTENCES.trendTakenOut(against, shown, comparisons.length);
}

/** What speaks against taking a comparison at its word. */
export function comparisonWarning(warning: ComparisonWarning): string {
  if (warning === 'order unknown') return SENTENCES.orderUnknown();
  if (warning === 'one ride a side') return SENTENCES.oneRideASide();
  return SENTENCES.unlikeSides(MEASURES.find(({ name }) => name === warning.unlikeSides)!.label);
}

/** What is missing to a measure. */
export function missingText({ label, why, nA, nB }: Untold): string {
  switch (why) {
    case 'no laps of A':
      return nB === 0 ? SENTENCES.nobodyTells(label) : SENTENCES.sideCannotTell(label, 'A');
    case 'no laps of B':
      return SENTENCES.sideCannotTell(label, 'B');
    case 'two laps a side':
      return SENTENCES.twoASide(label, nA, nB);
    case 'more laps':
      return SENTENCES.fiveInAll(label, nA, nB);
    case 'no order':
      return SENTENCES.noOrder(label);
  }
}

/** What claims rest on: flips of the pairs from six on, under six how much rides may differ by themselves. */
export function restsOn({ crossCheck, measures }: RidesCompared): string[] {
  if (crossCheck === null) {
    const hanging = measures.flatMap(({ label, holdsUpTo }) =>
      holdsUpTo === null ? [] : [{ label, times: Math.sqrt(holdsUpTo).toFixed(1) }],
    );
    return hanging.length > 0 ? [SENTENCES.holdsWhile(hanging)] : [];
  }
  const onlyModel = measures.filter((m) => m.isOnlyModel).map((m) => m.label);
  return [
    SENTENCES.flipsDecide(chanceText(crossCheck.pMax)),
    ...(onlyModel.length > 0 ? [SENTENCES.flipsDoNot(onlyModel)] : []),
  ];
}

/** What the ratings of pairs say of one dimension. */
export function ratingText({ dimension, differences, mean, p }: RatedDimension): string {
  const label = DIMENSIONS[dimension];
  if (p === null)
    return SENTENCES.ratedDots(label, differences.map((d) => signed(d, 0)).join(', '), differences.length);
  return p < AT_END
    ? SENTENCES.ratedHigher(label, mean > 0 ? 'B' : 'A', Math.abs(mean).toFixed(1))
    : SENTENCES.ratedAlike(label, signed(mean, 1));
}

/** How a ride that was asked for is driven in a title. */
export const rideHow = ({ isCheck }: { isCheck: boolean }): string =>
  `${isCheck ? `${SENTENCES.checkRide()} ` : ''}Type it into the title, then an out-lap.`;
