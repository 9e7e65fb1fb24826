import { tries } from '@/core/testing/longRun';
import { compareRides, type Comparison } from '@/core/experiment/compareRides';
import { seededRandom } from '@/core/numeric/random';
import { MEASURES } from '@/core/rides/measures';
import type { MeasuredLap } from '@/core/rides/measureRide';
import { measureDifference, measureValue } from './measures';
import { chanceText, trustSentence, verdictSentence } from './verdict';

const TWICE = { ridesA: 2, ridesB: 2 };
const ONCE = { ridesA: 1, ridesB: 1 };

function measure(
  name: Comparison['name'],
  unit: Comparison['unit'],
  meanA: number,
  meanB: number,
  half: number,
): Comparison {
  const difference = meanB - meanA;
  const isShown = Math.abs(difference) > half;
  return {
    name,
    label: name,
    unit,
    digits: unit === 's' ? 2 : 0,
    meanA,
    meanB,
    difference,
    interval: [difference - half, difference + half],
    largestLeft: Math.abs(difference) + 0.8 * half,
    se: half / 2,
    df: 4,
    drift: 0,
    p: isShown ? 0.001 : 0.2,
    pHolm: isShown ? 0.005 : 0.6,
    pClaim: isShown ? 0.005 : 0.6,
    isNamed: false,
    isOnlyModel: false,
    rideShare: 0.25,
    holdsUpTo: null,
    perSide: null,
    verdict: isShown ? 'differs' : 'no difference shown',
    smallestShown: 0.5,
    nA: 3,
    nB: 3,
  };
}

it('says what is shown, most telling first, with its interval', () => {
  const all = [
    measure('brakeDrag', 'share', 1, 0, 0),
    measure('brakeReach', 'share', 0, 1, 0),
    measure('lapTimeS', 's', 115.6, 113.4, 0.2),
  ];
  expect(verdictSentence(all, TWICE)).toBe(
    'With B the brake no longer drags (it did on 100 % of the full throttle), 100 % of the full presses show 100 % instead of 0 % and a lap is 2.20 s shorter (2.00 to 2.40)',
  );
  expect(verdictSentence([measure('lapTimeS', 's', 113, 115, 0.4)], TWICE)).toBe(
    'With B a lap is 2.00 s longer (1.60 to 2.40)',
  );
});

it('claims nothing that is not shown, and says what it can be at most', () => {
  expect(verdictSentence([measure('lapTimeS', 's', 115.6, 115.5, 0.4)], TWICE)).toBe(
    'No difference shown: if a lap differs, by less than 0.42 s',
  );
  expect(verdictSentence([], TWICE)).toBe('Too few counted laps to compare');
});

it('one ride a side speaks of the ride, never of the setting', () => {
  const time = [measure('lapTimeS', 's', 113, 115, 0.4)];
  expect(verdictSentence(time, ONCE)).toMatch(/^In ride B a lap is 2\.00 s longer/);
  expect(trustSentence(time, ONCE)).toMatch(
    /^3 laps in one ride against 3 .*can’t tell the setting from the ride/,
  );
  expect(trustSentence(time, ONCE, { isChanged: false })).toMatch(/nothing was changed between them/);
  expect(trustSentence(time, TWICE)).toMatch(/in 2 rides.*1 of 1 measures differ/);
});

const EVENINGS = tries(80, 200);

/** An evening on which nothing was changed: rides differ a little, the driver gets quicker, some measures stand still. */
function evening(seed: number, sides: string) {
  const random = seededRandom(seed);
  let driven = 0;
  return [...sides].map((side) => {
    const own = 0.5 * random.normal();
    const laps = Array.from({ length: 3 }, (_, lap): MeasuredLap => {
      const of = () => own + random.normal();
      const measures = Object.fromEntries(MEASURES.map(({ name }) => [name, 0.9 + 0.01 * of()]));
      return {
        lap,
        timeS: 90 + 0.3 * of() - 0.05 * driven++,
        counted: true,
        why: null,
        measures: { ...measures, brakeReach: 1, brakeDrag: 0 } as unknown as MeasuredLap['measures'],
      };
    });
    return { side: side as 'A' | 'B', laps };
  });
}

it.each([
  ['AB', ONCE],
  ['ABBA', TWICE],
  ['BAABABBA', { ridesA: 4, ridesB: 4 }],
])(
  'from nothing comes nothing: evenings %s without a change, at most 1 of 20 with a claim',
  (sides, counts) => {
    let claimed = 0;
    for (let seed = 1; seed <= EVENINGS; seed++) {
      const sentence = verdictSentence(
        compareRides(evening(seed, sides), { isOrderKnown: true }).measures,
        counts,
      );
      if (!sentence.startsWith('No difference shown')) claimed++;
    }
    // One of 20, and twice the error of that.
    expect(claimed).toBeLessThanOrEqual(tries(8, 16));
  },
);

it('a chance is never nothing', () => {
  expect([0, 0.004, 0.005, 0.049, 1].map(chanceText)).toEqual(['< 0.01', '< 0.01', '0.01', '0.05', '1.00']);
});

it('a lap time is written as drivers write it, here as everywhere; a difference in seconds', () => {
  const time = measure('lapTimeS', 's', 115.6, 113.4, 0.2);
  expect(measureValue(time, time.meanA)).toBe('1:55.60');
  expect(measureDifference(time, time.difference)).toBe('−2.20 s');
});
