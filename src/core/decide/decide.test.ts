import fc from 'fast-check';
import { seededRandom } from '../numeric/random';
import { bcaDifference } from './bca';
import { compareLaps } from './compareRides';
import { holm, leastPermutationP, permutationP } from './permutation';
import type { MeasuredLap } from '../rides/measureRide';
import { MEASURES, type Measured } from '../rides/measures';

describe('BCa interval of a difference of means', () => {
  it('covers the truth about 19 times of 20', () => {
    const random = seededRandom(12);
    const draw = (shift: number) => Array.from({ length: 12 }, () => shift + random.normal());
    let covered = 0;
    const trials = 120;
    for (let i = 0; i < trials; i++) {
      const [low, high] = bcaDifference(draw(0), draw(0.7), i);
      if (low <= 0.7 && high >= 0.7) covered++;
    }
    expect(covered / trials).toBeGreaterThan(0.87);
    expect(covered / trials).toBeLessThan(1);
  });

  it('is the same to the bit for the same laps, and a point where nothing varies', () => {
    const [a, b] = [
      [1, 2, 4],
      [3, 4, 4],
    ];
    expect(bcaDifference(a, b, 1)).toEqual(bcaDifference(a, b, 1));
    expect(bcaDifference([2, 2], [5, 5], 1)).toEqual([3, 3]);
  });
});

describe('permutation', () => {
  it('is exact for few laps', () => {
    expect(permutationP([1, 2, 3], [10, 11, 12], 1)).toBeCloseTo(2 / 20, 12);
    expect(leastPermutationP(3, 3)).toBeCloseTo(0.1, 12);
    expect(permutationP([1, 2], [1, 2], 1)).toBe(1);
  });

  it('draws where there are too many ways, and agrees with the t test order of size', () => {
    const random = seededRandom(2);
    const x = Array.from({ length: 15 }, () => random.normal());
    const y = Array.from({ length: 15 }, () => random.normal() + 3);
    expect(permutationP(x, y, 1)).toBeLessThan(0.001);
  });
});

it('Holm never lowers a p and keeps their order', () => {
  expect(holm([0.01, 0.04, 0.03])).toEqual([0.03, 0.06, 0.06]);
  fc.assert(
    fc.property(fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 1 }), (ps) =>
      holm(ps).every((p, i) => p >= ps[i]! && p <= 1),
    ),
  );
});

/** Whatever else is measured, it does not tell here. */
const SAYS_NOTHING = Object.fromEntries(MEASURES.map(({ name }) => [name, null])) as unknown as Measured;

it('a difference is claimed only where the adjusted p allows it', () => {
  const lap = (timeS: number, drag: number): MeasuredLap => ({
    lap: 1,
    timeS,
    counted: true,
    why: null,
    measures: { ...SAYS_NOTHING, brakePeak: 0.9, brakeSpread: 0.02, brakeDrag: drag, brakeReach: 1 },
  });
  const a = [115.4, 115.2, 115.5, 115.3, 115.6].map((t) => lap(t, 0.97));
  const b = [113.4, 113.5, 113.3, 113.6, 113.2].map((t) => lap(t, 0));
  const byName = Object.fromEntries(compareLaps(a, b).map((c) => [c.name, c]));
  expect(byName['lapTimeS']).toMatchObject({ verdict: 'differs', nA: 5, nB: 5 });
  expect(byName['lapTimeS']!.difference).toBeCloseTo(-2, 9);
  expect(byName['brakePeak']!.verdict).toBe('no difference shown');
  const few = compareLaps(a.slice(0, 3), b.slice(0, 3));
  expect(few.every((c) => c.verdict === 'no difference shown')).toBe(true);
});
