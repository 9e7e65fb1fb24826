import type { Comparison } from '@/core/decide/compareRides';
import { leastPermutationP } from '@/core/decide/permutation';
import { signed } from './format';
import { percent } from '@/core/text/percent';

type Figure = Pick<Comparison, 'unit' | 'digits'>;

/** A value of a measure in its own unit. */
export function measureValue({ unit, digits }: Figure, value: number): string {
  return unit === 's' ? `${value.toFixed(digits)} s` : percent(value, digits);
}

export function measureDifference({ unit, digits }: Figure, value: number): string {
  return unit === 's' ? `${signed(value, digits)} s` : `${signed(100 * value, digits)} points`;
}

/** The interval leaves out zero: the laps as ridden differ by more than their own spread explains. */
export function isClear({ interval: [low, high] }: Pick<Comparison, 'interval'>): boolean {
  return low > 0 || high < 0;
}

/** Less drag than this is none. */
const HARDLY = 0.005;

const find = (comparisons: Comparison[], name: Comparison['name']) =>
  comparisons.find((c) => c.name === name);

/** One sentence that says what changed from A to B, most telling first; what is not shown is said to be not shown. */
export function verdictSentence(comparisons: Comparison[]): string {
  const drag = find(comparisons, 'brakeDrag');
  const reach = find(comparisons, 'brakeReach');
  const time = find(comparisons, 'lapTimeS');
  const said: string[] = [];
  if (drag && isClear(drag))
    said.push(
      drag.meanB < HARDLY
        ? `the brake no longer drags (it did on ${measureValue(drag, drag.meanA)} of the full throttle)`
        : `the brake drags on ${measureValue(drag, drag.meanB)} of the full throttle instead of ${measureValue(drag, drag.meanA)}`,
    );
  if (reach && isClear(reach))
    said.push(
      `${measureValue(reach, reach.meanB)} of the full presses show 100 % instead of ${measureValue(reach, reach.meanA)}`,
    );
  if (time && isClear(time))
    said.push(
      `a lap is ${Math.abs(time.difference).toFixed(2)} s ${time.difference < 0 ? 'shorter' : 'longer'}`,
    );
  if (said.length === 0) return 'No difference that these laps could show';
  const sentence = said.length > 1 ? `${said.slice(0, -1).join(', ')} and ${said.at(-1)!}` : said[0]!;
  return `With B ${sentence}`;
}

const SIGNIFICANT = 0.05;

/** How far the laps can be trusted, as a sentence. */
export function trustSentence(comparisons: Comparison[]): string {
  const first = comparisons[0];
  if (!first) return '';
  const { nA, nB } = first;
  const least = leastPermutationP(nA, nB);
  const laps = `${nA} laps against ${nB}`;
  if (least * comparisons.length > SIGNIFICANT)
    return `${laps}: the intervals hold for these laps, but so few cannot rule out luck over ${comparisons.length} measures (best possible p ${(least * comparisons.length).toFixed(2)}). Five or more a side can.`;
  const proven = comparisons.filter((c) => c.verdict === 'differs').length;
  return `${laps}: ${proven} of ${comparisons.length} measures differ by more than luck would explain (permutation test, Holm over all shown).`;
}
