import fc from 'fast-check';
import { seededRandom, type Random } from '../../numeric/random';
import type { FinderRide, FinderSetting } from './answers';
import { noticedInSearch } from '../noticed';
import { evidenceOf } from './evidence';
import { findBest, MOST_RIDES, onGrid, type FinderAnswer } from './findBest';
import { itLong, tries } from '../../testing/longRun';

const DAMPER: FinderSetting = { key: 'damper', min: 0, max: 100, step: 1 };
const ENDS: FinderRide[] = [
  { values: { damper: 0 }, better: null, wants: { damper: 'more' } },
  { values: { damper: 100 }, better: 'before', wants: { damper: 'less' } },
];

it('gives the reference values of a search that began at both ends', () => {
  const told = findBest([DAMPER], ENDS, 7);
  expect(told).toMatchObject({
    state: 'searching',
    best: { damper: { value: 31, low: 5, high: 67.5 } },
    isCheck: false,
  });
  expect(told.jnd['damper']).toBeCloseTo(11.1, 1);
  expect(told.evidence).toBeCloseTo(1.2, 2);
  expect(Math.abs(told.next!['damper']! - 40)).toBeLessThan(8);
});

it('starts anywhere, and says the same to the bit again', () => {
  const first = findBest([DAMPER], [], 1);
  expect(first).toMatchObject({ state: 'searching', evidence: 0, isCheck: false });
  const two = [DAMPER, { key: 'gain', min: 50, max: 150, step: 5 }];
  const rides: FinderRide[] = [
    { values: { damper: 30, gain: 100 }, better: null, wants: { damper: 'less', gain: 'more' } },
  ];
  expect(findBest(two, rides, 3)).toEqual(findBest(two, rides, 3));
  expect(findBest(two, rides, 4).best).not.toEqual(findBest(two, rides, 3).best);
});

it('"right" tells nothing of the direction, and a missing answer nothing at all', () => {
  const ride = (wants: FinderRide['wants']): FinderRide[] => [
    { values: { damper: 20 }, better: null, wants },
  ];
  const nothing = findBest([DAMPER], ride({}), 1);
  expect(findBest([DAMPER], ride({ damper: 'right' }), 1)).toEqual(nothing);
  expect(findBest([DAMPER], ride({ damper: null }), 1)).toEqual(nothing);
});

it('the next ride is another, on the grid, near, and no finer than can be felt', () => {
  const setting = fc
    .record({
      min: fc.integer({ min: -10, max: 10 }),
      steps: fc.integer({ min: 4, max: 120 }),
      step: fc.constantFrom(0.05, 1, 2.5),
    })
    .map(({ min, steps, step }) => ({ key: 'k', min, max: min + steps * step, step }));
  const answers = fc.array(
    fc.tuple(fc.boolean(), fc.constantFrom('more' as const, 'less' as const, 'right' as const)),
    { maxLength: 5 },
  );
  fc.assert(
    fc.property(setting, answers, (one, said) => {
      const rides: FinderRide[] = [];
      let told = findBest([one], rides, 5);
      for (const [isThis, want] of said) {
        rides.push({
          values: told.next!,
          better: rides.length === 0 ? null : isThis ? 'this' : 'before',
          wants: { k: want },
        });
        told = findBest([one], rides, 5);
        if (told.next === null) break;
        const { k } = told.next as { k: number };
        const last = rides.at(-1)!.values['k']!;
        expect(k).toBeGreaterThanOrEqual(one.min);
        expect(k).toBeLessThanOrEqual(one.max);
        expect(Math.abs((k - one.min) / one.step - Math.round((k - one.min) / one.step))).toBeLessThan(1e-6);
        expect(k).not.toBe(last);
        if (!told.isCheck && (one.max - one.min) / one.step > 20)
          expect(Math.abs(k - last)).toBeGreaterThan(told.jnd['k']! / 2 - one.step);
      }
      const { value, low, high } = told.best['k']!;
      expect(low).toBeGreaterThanOrEqual(one.min);
      expect(high).toBeLessThanOrEqual(one.max);
      expect(value - low).toBeGreaterThanOrEqual(Math.min(told.jnd['k']!, value - one.min) - 1e-9);
      expect(high - value).toBeGreaterThanOrEqual(Math.min(told.jnd['k']!, one.max - value) - 1e-9);
    }),
    { numRuns: tries(15, 40) },
  );
});

it('values go to the nearest step of the grid, never past its last', () => {
  expect(onGrid(DAMPER, 0.314)).toBe(31);
  expect(onGrid({ key: 'x', min: 0, max: 1, step: 0.3 }, 1)).toBe(0.9);
  expect(onGrid({ key: 'x', min: 0.5, max: 1.5, step: 0.05 }, 0.31)).toBe(0.8);
});

it('a habit foretells its own answers: always "more" is no evidence', () => {
  const more = Array.from({ length: 12 }, () => ({
    kind: 'want' as const,
    setting: 0,
    isMore: true,
    at: [0.5],
  }));
  expect(evidenceOf(Math.log(0.975) * 12, more)).toBeLessThan(Math.log(20));
  const mixed = more.map((one, i) => ({ ...one, isMore: i % 2 === 0 }));
  expect(evidenceOf(Math.log(0.9) * 12, mixed)).toBeGreaterThan(Math.log(20));
});

/** Somebody with a best value, an error of feel, and a scale that bends, who lapses now and then. */
interface Driver {
  best: number[];
  sigma: number[];
  bend: number;
  kind: 'feels' | 'coin' | 'always more';
}

function search(
  settings: FinderSetting[],
  driver: Driver,
  random: Random,
  seed: number,
): { told: FinderAnswer; rides: number; errors: number[]; jnd: number } {
  const feel = (x: number, k: number) => {
    const w = (v: number) => v ** driver.bend;
    const noise = driver.sigma[k]! * driver.bend * Math.max(driver.best[k]!, 0.05) ** (driver.bend - 1);
    return (w(x) - w(driver.best[k]!)) / noise + random.normal();
  };
  const share = (ride: FinderRide, k: number) => {
    const { key, min, max } = settings[k]!;
    return (ride.values[key]! - min) / (max - min);
  };
  const away = (ride: FinderRide) => settings.reduce((sum, _, k) => sum + feel(share(ride, k), k) ** 2, 0);
  const rides: FinderRide[] = [];
  const errors: number[] = [];
  let told = findBest(settings, rides, seed);
  while (told.state === 'searching') {
    const ride: FinderRide = { values: told.next!, better: null, wants: {} };
    const isBlunt = driver.kind !== 'feels' || random.uniform() < 0.05;
    const before = rides.at(-1);
    if (before)
      ride.better = (isBlunt ? random.uniform() < 0.5 : away(ride) < away(before)) ? 'this' : 'before';
    settings.forEach(({ key }, k) => {
      const isMore =
        driver.kind === 'always more' || (isBlunt ? random.uniform() < 0.5 : feel(share(ride, k), k) < 0);
      ride.wants[key] = isMore ? 'more' : 'less';
    });
    rides.push(ride);
    told = findBest(settings, rides, seed);
    errors.push(
      Math.max(
        ...settings.map(({ key, min, max }, k) => {
          const found = (told.best[key]!.value - min) / (max - min);
          return Math.abs(found - driver.best[k]!) / (driver.sigma[k]! / 1.048);
        }),
      ),
    );
  }
  return { told, rides: rides.length, errors, jnd: (100 * driver.sigma[0]!) / 1.048 };
}

function drivers(count: number, settings: number, kind: Driver['kind'], seed: number) {
  const random = seededRandom(seed);
  const sigma = () => 0.1048 * [0.4, 0.63, 0.63, 1, 1, 1, 1.6, 1.6, 2.5][random.below(9)]!;
  const many = Array.from({ length: settings }, (_, k) => ({ ...DAMPER, key: `s${k}` }));
  return Array.from({ length: count }, (_, i) => {
    const driver: Driver = {
      best: many.map(() => random.uniform()),
      sigma: many.map(sigma),
      bend: settings === 1 ? [0.5, 0.71, 1, 1.41, 2][random.below(5)]! : 1,
      kind,
    };
    return search(many, driver, random, i);
  });
}

itLong(
  'one setting: nine of ten within a just noticeable difference after nine rides, and claims are right',
  () => {
    const all = drivers(60, 1, 'feels', 21);
    const within = (ride: number) =>
      all.filter(({ errors }) => errors[Math.min(ride, errors.length) - 1]! <= 1).length / all.length;
    expect(within(9)).toBeGreaterThanOrEqual(0.85);
    const claims = all.filter(({ told }) => told.state === 'found');
    expect(claims.length / all.length).toBeGreaterThan(0.75);
    expect(claims.filter(({ errors }) => errors.at(-1)! <= 1).length / claims.length).toBeGreaterThan(0.88);
    // What they just notice lies where it is said to in nine of ten, however little so few answers tell of it.
    const noticed = claims.filter(({ told, jnd }) => {
      const { low, high } = noticedInSearch(told.jnd['s0']!);
      return low <= jnd && jnd <= high;
    });
    expect(noticed.length / claims.length).toBeGreaterThan(0.9 - 2 * Math.sqrt((0.9 * 0.1) / claims.length));
    const rides = all.map((one) => one.rides).sort((a, b) => a - b);
    expect(rides[rides.length >> 1]!).toBeLessThanOrEqual(10);
  },
);

it.each([
  ['coin', tries(6, 60)],
  ['always more', tries(5, 25)],
] as const)('somebody who answers by %s is given no preference', (kind, count) => {
  const all = drivers(count, 1, kind, 22);
  const claims = all.filter(({ told }) => told.state === 'found').length;
  expect(claims / all.length).toBeLessThanOrEqual(0.05 + 2 * Math.sqrt((0.05 * 0.95) / all.length));
  expect(
    all.filter(({ told }) => told.state === 'no preference').every((one) => one.rides === MOST_RIDES),
  ).toBe(true);
});

itLong('two settings: within a just noticeable difference in both after twelve rides', () => {
  const all = drivers(8, 2, 'feels', 23);
  expect(
    all.filter(({ errors }) => errors[Math.min(12, errors.length) - 1]! <= 1).length / all.length,
  ).toBeGreaterThanOrEqual(0.75);
});

it('of six drivers nobody is told a value that they would feel to be wrong', () => {
  for (const { told, errors } of drivers(6, 1, 'feels', 24))
    if (told.state === 'found') expect(errors.at(-1)!).toBeLessThan(1.5);
});

it('preference and wishes that point apart are both shown, and preference is believed', () => {
  const at = [20, 60, 20, 80, 30, 70, 20, 60, 30, 80];
  const rides = at.map((damper, i): FinderRide => ({
    values: { damper },
    better: i === 0 ? null : damper < at[i - 1]! ? 'this' : 'before',
    wants: { damper: damper < 85 ? 'more' : 'less' },
  }));
  const told = findBest([DAMPER], rides, 2);
  const apart = told.apart['damper']!;
  expect(apart.wished - apart.preferred).toBeGreaterThan(told.jnd['damper']!);
  expect(told.best['damper']!.value).toBe(apart.preferred);
});
