import { listed } from '@/core/text/listed';
import { percent } from '@/core/text/percent';
import {
  effectShown,
  type Comparison,
  type ComparisonWarning,
  type RidesCompared,
  type Untold,
} from '@/core/experiment/compareRides';
import { MEASURES } from '@/core/rides/measures';
import { lapTime, signed } from './format';

type Figure = Pick<Comparison, 'name' | 'unit' | 'digits'>;

/** A value of a measure in its own unit; a lap time as drivers write it, everywhere. */
export function measureValue({ name, unit, digits }: Figure, value: number): string {
  if (name === 'lapTimeS') return lapTime(value);
  return unit === 'travel' || unit === 'share' ? percent(value, digits) : `${value.toFixed(digits)} ${unit}`;
}

export function measureDifference(figure: Figure, value: number): string {
  return `${bareDifference(figure, value)} ${unitWord(figure)}`;
}

/** The same without its unit, for a column that has it at its head. */
export function bareDifference({ unit, digits }: Figure, value: number): string {
  const isShare = unit === 'travel' || unit === 'share';
  return signed(isShare ? 100 * value : value, digits);
}

const unitWord = ({ unit }: Figure) => (unit === 'travel' || unit === 'share' ? 'points' : unit);

/** How many rides and counted laps stand behind each side. */
export interface Sides {
  ridesA: number;
  ridesB: number;
}

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
function timeText(time: Comparison): string {
  const { difference, interval } = effectShown(time);
  const [low, high] = interval.map(Math.abs).sort((a, b) => a - b) as [number, number];
  return `${Math.abs(difference).toFixed(2)} s ${difference < 0 ? 'shorter' : 'longer'} (${low.toFixed(2)} to ${high.toFixed(2)})`;
}

/**
 * One sentence that says what is shown of B against A, most telling first. One ride a side speaks of that ride and not of the
 * setting; what is not shown is said to be not shown, with what it can be at most.
 */
export function verdictSentence(comparisons: readonly Comparison[], { ridesA, ridesB }: Sides): string {
  const shown = comparisons.filter(isShown);
  const drag = find(shown, 'brakeDrag');
  const reach = find(shown, 'brakeReach');
  const time = find(shown, 'lapTimeS');
  const said = [
    drag &&
      (drag.meanB < HARDLY
        ? `the brake no longer drags (it did on ${measureValue(drag, drag.meanA)} of the full throttle)`
        : `the brake drags on ${measureValue(drag, drag.meanB)} of the full throttle instead of ${measureValue(drag, drag.meanA)}`),
    reach &&
      `${measureValue(reach, reach.meanB)} of the full presses show 100 % instead of ${measureValue(reach, reach.meanA)}`,
    time && `a lap is ${timeText(time)}`,
    ...shown
      .filter((c) => c !== drag && c !== reach && c !== time)
      .map(
        (c) =>
          `${c.label.toLowerCase()} is ${measureValue(c, c.meanB)} instead of ${measureValue(c, c.meanA)}`,
      ),
  ]
    .filter((one) => one !== undefined)
    .slice(0, MOST_SAID);
  if (said.length === 0) return notShown(comparisons);
  return `${Math.min(ridesA, ridesB) > 1 ? 'With B' : 'In ride B'} ${listed(said)}`;
}

function notShown(comparisons: readonly Comparison[]): string {
  const time = find(comparisons, 'lapTimeS');
  if (comparisons.length === 0) return 'Too few counted laps to compare';
  return time
    ? `No difference shown: if a lap differs, by less than ${effectShown(time).largestLeft.toFixed(2)} s`
    : 'No difference shown';
}

/** How far that can be trusted, as a sentence; where nothing was changed there is nothing to ride again for. */
export function trustSentence(
  comparisons: readonly Comparison[],
  { ridesA, ridesB }: Sides,
  isChanged = true,
): string {
  const first = comparisons[0];
  if (!first) return 'At least two laps a side and five in all are needed.';
  const { nA, nB } = first;
  const laps = `${lapsText(nA, ridesA)} against ${lapsText(nB, ridesB)}`;
  if (!isChanged) return `${laps}, and nothing was changed between them: what differs is spread.`;
  if (Math.min(ridesA, ridesB) < 2)
    return `${laps}: that can’t tell the setting from the ride. Put A’s settings back, ride, then B’s, and ride again: both are counted in.`;
  return `${laps}, with the session’s trend taken out: ${comparisons.filter(isShown).length} of ${comparisons.length} measures differ by more than luck would explain (5 % over all of them).`;
}

const lapsText = (laps: number, rides: number) =>
  `${laps} laps in ${rides === 1 ? 'one ride' : `${rides} rides`}`;

/** What speaks against taking a comparison at its word. */
export function comparisonWarning(warning: ComparisonWarning): string {
  if (warning === 'order unknown')
    return 'The order of driving is not known: a trend over the session may count to the setting.';
  if (warning === 'one ride a side') return 'One ride on a side: that can’t tell the setting from the ride.';
  const { label } = MEASURES.find(({ name }) => name === warning.unlikeSides)!;
  return `${label}: A and B have unlike numbers of laps, or spread unlike; it is claimed only if it holds with a spread of their own as well.`;
}

/** What is missing to a measure. */
export function missingText({ label, why, nA, nB }: Untold): string {
  const laps = `${nA} of A and ${nB} of B`;
  switch (why) {
    case 'no laps of A':
    case 'no laps of B':
      return `${label}: ${why === 'no laps of A' ? (nB === 0 ? 'no counted lap can tell it' : 'no counted lap of A can tell it') : 'no counted lap of B can tell it'}.`;
    case 'two laps a side':
      return `${label}: two counted laps a side are needed, there are ${laps}.`;
    case 'more laps':
      return `${label}: five counted laps in all are needed, there are ${laps}.`;
    case 'no order':
      return `${label}: A and B cannot be told from the trend in this order of driving.`;
  }
}

/** Whether the flips of the pairs say the same. */
export const crossCheckText = ({ crossCheck, measures }: RidesCompared): string | null =>
  crossCheck === null
    ? null
    : crossCheck.agrees
      ? `Flips of the pairs agree (p ${chanceText(crossCheck.pMax)} over all measures).`
      : measures.some((m) => m.isOnlyModel)
        ? `${listed(measures.filter((m) => m.isOnlyModel).map((m) => m.label))}: only under the model; flips of the pairs do not show it.`
        : `Flips of the pairs would show more than the model claims (p ${chanceText(crossCheck.pMax)}): one more pair decides.`;
