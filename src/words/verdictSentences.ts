import { chanceOfShown, SHOWN_AT, type BlindScore } from '@/core/experiment/bettingScore';
import { effectShown, type Comparison } from '@/core/experiment/compareRides';
import type { Best } from '@/core/experiment/finder/findBest';
import { MOST_NOTICED } from '@/core/experiment/justNoticeable';
import { STRETCH_S } from '@/core/driving/stretch';
import { MOST_PAIRS, type Outlook, type Plan } from '@/core/experiment/planRides';
import { listed } from '@/core/text/listed';
import { capital } from './format';
import { differenceSize, measureValue, type Figure } from './measures';

export const rides = (n: number) => (n === 1 ? 'one ride' : `${n} rides`);
export const laps = (n: number) => (n === 1 ? 'one lap' : `${n} laps`);
const pairsText = (n: number) => (n === 1 ? 'one pair' : `${n} pairs`);
const hundredths = (share: number) => `${Math.round(100 * share)} times out of 100`;

/**
 * Every sentence that Verdict can say. None claims more than its error rate carries (docs/core.md, Rides and verdicts); each
 * is reached by a test.
 */
export const SENTENCES = {
  // What a plan takes and can show.
  planTakes: (plan: Plan, minutes: number) =>
    `${capital(pairsText(plan.pairs))} of ${laps(plan.lapsPerRide)} a ride, about ${Math.max(1, Math.round(minutes))} minutes`,
  planShows: (figure: Figure, { visible, visibleAtWorst }: Outlook) =>
    `differences from ${differenceSize(figure, visible)} are seen 4 times in 5 (from ${differenceSize(figure, visibleAtWorst)} if you spread as much as your rides leave open)`,
  planUnknown: () =>
    'no ride of yours on this road yet, so laps are taken to last 100 s and what can be seen is not known',
  planHard: (figure: Figure, wanted: number) =>
    `${differenceSize(figure, wanted)} takes more than ${MOST_PAIRS} pairs: ask a measure that spreads less, or the force`,
  planPairs: (figure: Figure, wanted: number, pairs: number) =>
    `${differenceSize(figure, wanted)} takes ${pairsText(pairs)}`,
  planBlind: (most: number) => `At most ${most} pairs; it ends by itself when it is decided`,
  planJnd: () =>
    `Mostly 38 to 55 pairs of ${STRETCH_S}-second rides, ${MOST_NOTICED} at most; it ends by itself when it is known`,
  planSearch: (settings: number) => `About ${[9, 12, 21][settings - 1]!} rides, 24 at most`,
  planExplore: () => 'Three rides: at its least, at its most, and back',

  // Did it change anything?
  tooFew: () => 'Too few counted laps to compare',
  tooFewWhy: () => 'At least two laps a side and five in all are needed.',
  withB: (said: string[]) => `With B ${listed(said)}`,
  inRideB: (said: string[]) => `In ride B ${listed(said)}`,
  dragGone: (drag: Comparison) =>
    `the brake no longer drags (it did on ${measureValue(drag, drag.meanA)} of the full throttle)`,
  dragsInstead: (drag: Comparison) =>
    `the brake drags on ${measureValue(drag, drag.meanB)} of the full throttle instead of ${measureValue(drag, drag.meanA)}`,
  reaches: (reach: Comparison) =>
    `${measureValue(reach, reach.meanB)} of the full presses show 100 % instead of ${measureValue(reach, reach.meanA)}`,
  lapDiffers: (size: string, isShorter: boolean, low: string, high: string) =>
    `a lap is ${size} ${isShorter ? 'shorter' : 'longer'} (${low} to ${high})`,
  measureDiffers: (c: Comparison) =>
    measureValue(c, c.meanB) === measureValue(c, c.meanA)
      ? `${c.label.toLowerCase()} differs by less than can be read`
      : `${c.label.toLowerCase()} is ${measureValue(c, c.meanB)} instead of ${measureValue(c, c.meanA)}`,
  nothingShown: () => 'No difference shown',
  lapAtMost: (time: Comparison) =>
    `No difference shown: if a lap differs, by less than ${effectShown(time).largestLeft.toFixed(2)} s`,
  namedAtMost: (c: Comparison) =>
    `No difference shown: if ${c.label.toLowerCase()} differs, by less than ${differenceSize(c, effectShown(c).largestLeft)}`,
  onlySpread: (against: string) =>
    `${against}, and nothing was changed between them: what differs is spread.`,
  settingOrRide: (against: string) =>
    `${against}: that can’t tell the setting from the ride. Put A’s settings back, ride, then B’s, and ride again: both are counted in.`,
  trendTakenOut: (against: string, shown: number, of: number) =>
    `${against}, with the session’s trend taken out: ${shown} of ${of} measures differ by more than luck would explain (5 % over all of them).`,
  trendEarly: (against: string, shown: number, of: number) =>
    `${against}, with the session’s trend taken out, looked at before the planned end or ridden on after it: ${shown} of ${of} measures differ, at the stricter level that each look costs (5 % over all of them).`,
  flipsDecide: (p: string) =>
    `From six pairs on, what is claimed is decided by swapping A and B within the pairs (least p ${p}).`,
  flipsDoNot: (names: string[]) =>
    `${listed(names)}: the model alone would claim a difference. Swapping A and B within the pairs does not show it, so it is not claimed.`,
  holdsWhile: (said: { label: string; times: string }[]) =>
    `Under six pairs this hangs on how much rides differ by themselves. It stands as long as rides spread less than ${listed(said.map(({ label, times }) => `${times} (${label.toLowerCase()})`))} times as much as the laps of one ride.`,
  orderUnknown: () => 'The order of driving is not known: a trend over the session may count to the setting.',
  oneRideASide: () => 'One ride on a side: that can’t tell the setting from the ride.',
  unlikeSides: (label: string) =>
    `${label}: A and B have unlike numbers of laps, or spread unlike; it is claimed only if it holds with a spread of their own as well.`,
  nobodyTells: (label: string) => `${label}: no counted lap can tell it.`,
  sideCannotTell: (label: string, side: 'A' | 'B') => `${label}: no counted lap of ${side} can tell it.`,
  twoASide: (label: string, nA: number, nB: number) =>
    `${label}: two counted laps a side are needed, there are ${nA} of A and ${nB} of B.`,
  fiveInAll: (label: string, nA: number, nB: number) =>
    `${label}: five counted laps in all are needed, there are ${nA} of A and ${nB} of B.`,
  noOrder: (label: string) => `${label}: A and B cannot be told from the trend in this order of driving.`,
  noLog: (ride: number) => `Ride ${ride} has no log: it is not counted.`,
  otherRoad: (ride: number) => `Ride ${ride} was driven on another road: it is not counted.`,
  otherSoftware: (ride: number) =>
    `Ride ${ride} is of a pair in the middle of which firmware or the title’s version changed: the pair is not counted.`,
  softwareChanged: (ride: number) =>
    `Firmware or the title’s version changed before ride ${ride}: what was driven before it and after it may be two things.`,
  strayLogs: (n: number) =>
    n === 1
      ? 'One log belongs to no planned ride: it is not counted.'
      : `${n} logs belong to no planned ride: they are not counted.`,

  bandNeeds: (least: number, pairs: number) =>
    `Means of ${pairsText(pairs)}. Where they differ by more than luck is told from ${least} pairs on.`,
  nowhere: (label: string) =>
    `${label}: nowhere on the road do A and B differ by more than luck would explain.`,
  somewhere: (label: string, places: string[]) =>
    `${label} differs at ${listed(places)}: the 95 % band, which holds in every place and channel at once, excludes 0 there.`,
  clipsAt: (a: string[], b: string[]) =>
    `The force clips in most laps ${a.length > 0 ? `of A ${listed(a)}` : 'of A nowhere'}, ${b.length > 0 ? `of B ${listed(b)}` : 'of B nowhere'}.`,

  apartFound: (name: string, label: string) =>
    `It was ${name}, if one of them did it alone: ${label.toLowerCase()} follows it.`,
  apartNext: (names: string, label: string) =>
    `Put ${names} back, keep the rest, and ride: whether ${label.toLowerCase()} falls back tells most.`,
  apartHard: () =>
    'The difference is small beside what rides differ by themselves: this takes more than ten rides.',

  ratedDots: (label: string, differences: string, pairs: number) =>
    `${label}, B against A pair by pair: ${differences}. Of ${pairsText(pairs)} nothing can be claimed.`,
  ratedHigher: (label: string, side: 'A' | 'B', mean: string) =>
    `${label}: ${side} was rated higher, by ${mean} on average (5 %).`,
  ratedAlike: (label: string, mean: string) =>
    `${label}: B was rated ${mean} against A on average; no difference shown.`,
  notLooked: () => 'Under way: nobody has looked before its end',

  // The force of both
  forceComputed: (clauses: string[]) => `Computed, not tested: with B ${listed(clauses)}.`,
  forceSame: () => 'Computed, not tested: the force of both is the same in every figure shown.',
  forceOwnLaps: () =>
    'What was changed acts before the force that is logged: clipping, weight, detail and roughness are of each side’s own laps, which differ by themselves too.',
  forceOf: (rides: number, rateHz: number) =>
    `From the force that ${rides === 1 ? 'one ride' : `${rides} rides`} logged (${Math.round(rateHz)} rows a second), the same laps through both settings and the base as it is known.`,
  forceUnlogged: () => 'No ride logged its force: clipping, weight and detail of these laps cannot be told.',

  // Could I tell, which do I like?
  blindOpen: (pair: number, most: number) => `Pair ${pair} of at most ${most}`,
  toldB: ({ right, wrong, highest }: BlindScore) =>
    `You can tell: ${right} of ${right + wrong} right. The score reached ${highest.toFixed(0)}; somebody who only guesses reaches ${SHOWN_AT} less than once in 20`,
  likesSide: (side: 'A' | 'B', { right, wrong }: BlindScore) =>
    `You like ${side} better: ${side === 'B' ? right : wrong} of ${right + wrong} pairs. Somebody who only guesses gets there less than once in 20`,
  notTold: ({ right, wrong }: BlindScore) =>
    `Not shown: ${right} of ${right + wrong} right. Somebody who is right 9 times out of 10 would have shown it ${hundredths(chanceOfShown(0.9))}`,
  noLiking: ({ right, wrong }: BlindScore) =>
    `No preference shown: B in ${right} of ${right + wrong} pairs. Leave what is easier, quieter or lighter`,
  blindBroken: (pairs: number) =>
    pairs === 0
      ? 'Given up before the first answer: nothing is shown'
      : `Given up after ${pairsText(pairs)}: nothing is shown`,
  commitmentHolds: () => 'The orders are those that were promised before the first ride.',
  commitmentBroken: () => 'The orders are not those that were promised: this test shows nothing.',
  ordersLost: () => 'The orders were in no backup, so that nobody could read them: this test cannot go on.',

  // How little of it do I notice?
  jndTold: (name: string, jnd: string, low: string, high: string) =>
    `You just notice a change of ${jnd} in ${name}; your answers leave ${low} to ${high} open`,
  jndBeyond: (name: string, low: string) =>
    `You hardly notice a change of less than ${low} in ${name}; what you do notice was not found within its menu`,
  jndEvery: (name: string, step: string) =>
    `You notice every step of ${name}: a change of ${step} is the least that its menu has`,
  jndMeans: () =>
    'So great a change is named right three times in four, felt in the wheel’s angle and the pedals; the interval holds nine times in ten.',
  jndBroken: (pairs: number) =>
    pairs === 0
      ? 'Given up before the first answer: nothing is shown'
      : `Given up after ${pairsText(pairs)}: too few to say what you notice`,

  // Where is the best value?
  searching: (place: number) => `Ride ${place} of the search`,
  bestLies: (name: string, { low, high }: Best, text: (v: number) => string) =>
    `Your best ${name} lies between ${text(low)} and ${text(high)}; inside that you can’t tell them apart`,
  noPreference: () => 'Your answers don’t follow this setting: leave it',
  searchBroken: (n: number) => `Given up after ${rides(n)}: nothing is shown`,
  checkRide: () => 'This one asks whether you feel it at all.',
  apart: (name: string, preferred: string, wished: string) =>
    `What you prefer (${name} ${preferred}) and what you wish for (${wished}) point apart: the preference is believed.`,
  jnd: (jnd: string, low: string, high: string) =>
    `What you just notice, three times in four, is about ${jnd}; your answers leave ${low} to ${high} open (90 %).`,
  jndOpen: (name: string, low: string) =>
    `How much of ${name} you notice is open: your answers leave everything from ${low} on, to more than its menu has (90 %).`,

  // What does this one do?
  exploreRidden: (name: string, least: string, most: string) =>
    `${name} at ${least} and at ${most}, one ride each: it shows the direction, not more`,
  exploreUnlogged: (name: string) =>
    `${name}: you drove it at both ends; without logs only you know what it did`,

  // What we know of this setting
  knownBest: (name: string, low: string, high: string) =>
    `${name}: your best lies between ${low} and ${high}`,
  knownIndifferent: (name: string) => `${name}: your answers don’t follow it`,
  knownUnasked: (name: string) => `${name}: nothing was asked of it yet`,
  knownShown: (name: string, shown: number, of: number) =>
    of === 0
      ? `${name}: nothing was compared to its end yet`
      : of === 1
        ? `${name}: the one comparison showed ${shown === 1 ? 'a' : 'no'} difference`
        : `${name}: ${shown} of ${of} comparisons showed a difference`,
  knownFirst: () => 'What comes of it is drawn here beside what is known.',
  noticedUnknown: (driver: string, title: string) =>
    `${driver}, ${title}: what you just notice of it is not known yet`,
  knownLuck: () =>
    'Each question by itself claims from nothing at most once in twenty; of many some do. What was shown twice is surer.',
  hardlyNoticed: (low: string) => `By your own answers you hardly notice less than ${low} here.`,
} as const satisfies Record<string, (...args: never[]) => string>;
