import type { Comparison } from '@/core/decide/compareRides';
import { lapTime, signed } from './format';
import { listed } from '@/core/text/listed';
import { percent } from '@/core/text/percent';

type Figure = Pick<Comparison, 'unit' | 'digits'>;

/** A value of a measure in its own unit; a lap time as drivers write it, everywhere. */
export function measureValue({ unit, digits }: Figure, value: number): string {
  return unit === 's' ? lapTime(value) : percent(value, digits);
}

export function measureDifference({ unit, digits }: Figure, value: number): string {
  return unit === 's' ? `${signed(value, digits)} s` : `${signed(100 * value, digits)} points`;
}

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

const find = (comparisons: Comparison[], name: Comparison['name']) =>
  comparisons.find((c) => c.name === name);

/** A probability as a table shows it: never as nothing. */
export const chanceText = (p: number) => (p < 0.005 ? '< 0.01' : p.toFixed(2));

/** "0.33 s" and how far the 95 % interval goes: "(0.17 to 0.49)". */
function timeText({ difference, interval }: Comparison): string {
  const [low, high] = interval.map(Math.abs).sort((a, b) => a - b) as [number, number];
  return `${Math.abs(difference).toFixed(2)} s ${difference < 0 ? 'shorter' : 'longer'} (${low.toFixed(2)} to ${high.toFixed(2)})`;
}

/**
 * One sentence that says what is shown of B against A, most telling first. One ride a side speaks of that ride and not of the
 * setting; what is not shown is said to be not shown, with what it can be at most.
 */
export function verdictSentence(comparisons: Comparison[], { ridesA, ridesB }: Sides): string {
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

function notShown(comparisons: Comparison[]): string {
  const time = find(comparisons, 'lapTimeS');
  if (comparisons.length === 0) return 'Too few counted laps to compare';
  return time
    ? `No difference shown: if a lap differs, by less than ${time.largestLeft.toFixed(2)} s`
    : 'No difference shown';
}

/** How far that can be trusted, as a sentence; where nothing was changed there is nothing to ride again for. */
export function trustSentence(
  comparisons: Comparison[],
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
