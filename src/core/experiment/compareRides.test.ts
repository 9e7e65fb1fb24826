import fc from 'fast-check';
import { seededRandom } from '../numeric/random';
import type { MeasuredLap } from '../rides/measureRide';
import { MEASURES, MEASURES_SHOWN, type Measured, type MeasureName } from '../rides/measures';
import { compareRides, type ComparedRide } from './compareRides';
import { holm } from './holm';
import { visibleWith } from './planRides';
import { AT_END, levelPerLook } from './alphaSpending';
import { tries } from '../testing/longRun';

const KNOWN = { isOrderKnown: true };

/** Whatever else is measured, it does not tell here. */
const SAYS_NOTHING = Object.fromEntries(MEASURES.map(({ name }) => [name, null])) as unknown as Measured;

const lap = (timeS: number, more: Partial<Measured> = {}): MeasuredLap => ({
  lap: 1,
  timeS,
  counted: true,
  why: null,
  measures: { ...SAYS_NOTHING, ...more },
});
const ride = (side: 'A' | 'B', ...times: number[]): ComparedRide => ({
  side,
  laps: times.map((t) => lap(t)),
});

it('Holm never lowers a p and keeps their order', () => {
  expect(holm([0.01, 0.04, 0.03])).toEqual([0.03, 0.06, 0.06]);
  fc.assert(
    fc.property(fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 1 }), (ps) =>
      holm(ps).every((p, i) => p >= ps[i]! && p <= 1),
    ),
  );
});

it('a difference is claimed only where the adjusted p allows it', () => {
  const measured = (drag: number, at: number) => ({
    brakePeak: 0.9 + 0.001 * (at % 3),
    brakeSpread: 0.02 + 0.002 * ((7 * at) % 5),
    brakeDrag: drag,
    brakeReach: 1,
  });
  const a = [115.4, 115.2, 115.5, 115.3, 115.6].map((t, i) => lap(t, measured(0.97, i)));
  const b = [113.4, 113.5, 113.3, 113.6, 113.2].map((t, i) => lap(t, measured(0, i)));
  const sides = (from: number, to: number): ComparedRide[] => [
    { side: 'A', laps: a.slice(from, to) },
    { side: 'B', laps: b.slice(from, to) },
  ];
  const said = compareRides(sides(0, 5), KNOWN);
  const byName = Object.fromEntries(said.measures.map((c) => [c.name, c]));
  expect(byName['lapTimeS']).toMatchObject({ verdict: 'differs', nA: 5, nB: 5 });
  expect(byName['brakeDrag']!.verdict).toBe('differs');
  for (const name of ['brakePeak', 'brakeSpread', 'brakeReach'])
    expect(byName[name]!.verdict).toBe('no difference shown');
  expect(said.warnings).toEqual(['one ride a side']);
  const few = compareRides(sides(0, 2), KNOWN);
  expect(few.measures).toEqual([]);
  expect(few.untold.map(({ name }) => name)).toEqual(MEASURES_SHOWN.map(({ name }) => name));
  expect(few.untold[0]).toMatchObject({ name: 'lapTimeS', why: 'more laps', nA: 2, nB: 2 });
});

it('the measure named beforehand stands first and is tested alone', () => {
  const rides: ComparedRide[] = [...'ABBAABBA'].map((side, i) => ({
    side: side as 'A' | 'B',
    laps: [0, 1].map((k) => {
      const noise = ((7 * i + 3 * k) % 5) / 100;
      return lap(90 + noise, { brakePeak: 0.9 + (side === 'B' ? 0.02 : 0) + noise, throttleRate: 1 + noise });
    }),
  }));
  const plain = compareRides(rides, KNOWN).measures;
  const named = compareRides(rides, { ...KNOWN, named: 'brakePeak' }).measures;
  expect(named[0]).toMatchObject({ name: 'brakePeak', isNamed: true });
  expect(named[0]!.pHolm).toBe(named[0]!.p);
  const before = plain.find(({ name }) => name === 'brakePeak')!;
  expect(before.pHolm).toBeGreaterThan(before.p);
  const other = (all: typeof plain) => all.find(({ name }) => name === 'lapTimeS')!;
  expect(other(named).pHolm).toBeLessThanOrEqual(other(plain).pHolm);
});

it('tells pairs from what is none, and checks the model by their flips from six on', () => {
  const night = (order: string, by: number) =>
    [...order].map((side, i) =>
      ride(
        side as 'A' | 'B',
        90 + ((3 * i) % 7) / 20 + (side === 'B' ? by : 0),
        90 + ((5 * i) % 7) / 20 + (side === 'B' ? by : 0),
      ),
    );
  expect(compareRides(night('ABBA', 0), KNOWN).pairs).toBe(2);
  expect(compareRides(night('AABB', 0), KNOWN).pairs).toBeNull();
  expect(compareRides(night('ABB', 0), KNOWN).pairs).toBeNull();
  expect(compareRides(night('ABBA', 0), { isOrderKnown: false })).toMatchObject({
    pairs: null,
    crossCheck: null,
  });
  const six = compareRides(night('ABBAABBABAAB', -1), KNOWN);
  expect(six.crossCheck).toEqual({ pMax: 1 / 32, agrees: true });
  expect(six.measures[0]).toMatchObject({ verdict: 'differs', isOnlyModel: false });
  expect(compareRides(night('ABBAABBABAAB', 0), KNOWN).crossCheck!.agrees).toBe(true);
  expect(compareRides(night('ABBAABBABA', -1), KNOWN).crossCheck).toBeNull();
});

it('from six pairs on the flips decide, and what they claim has an interval without 0', () => {
  const night = (by: readonly number[]) =>
    by.flatMap((d, i): ComparedRide[] => {
      const noise = ((3 * i) % 7) / 20;
      const b = ride('B', 90 + noise + d, 90.1 + noise + d);
      return i % 2 === 0
        ? [ride('A', 90 + noise, 90.1 + noise), b]
        : [b, ride('A', 90 + noise, 90.1 + noise)];
    });
  const [five] = compareRides(night([-1, -1.2, -0.9, -1.1, -1]), KNOWN).measures;
  expect(five).toMatchObject({ verdict: 'differs', isOnlyModel: false });
  // One pair of six that goes the other way: flips find as much in 4 of 64, and no difference is claimed.
  const [six] = compareRides(night([-1, -1.2, -0.9, -1.1, -1, 0.1]), KNOWN).measures;
  expect(six).toMatchObject({
    verdict: 'no difference shown',
    pClaim: 4 / 64,
    isOnlyModel: true,
    holdsUpTo: null,
  });
  const random = seededRandom(8);
  let claims = 0;
  for (let i = 0; i < 60; i++) {
    const order = Array.from({ length: 7 }, () => (random.uniform() < 0.5 ? 'AB' : 'BA')).join('');
    const rides = evening(random, order, 2, { rides: 1, drift: 0, unlike: 1 }).map((one) =>
      one.side === 'A' ? one : { ...one, laps: one.laps.map((l) => ({ ...l, timeS: l.timeS! - 3 })) },
    );
    for (const { verdict, interval } of compareRides(rides, KNOWN).measures)
      if (verdict === 'differs' && ++claims) expect(interval[0] * interval[1]).toBeGreaterThan(0);
  }
  expect(claims).toBeGreaterThan(30);
});

it('a pair that lost a ride tells nothing under flips, and shifts no other', () => {
  const drawn = [...'ABBAABBABAAB'].map((side, i) => ({
    ...ride(side as 'A' | 'B', 90 + ((3 * i) % 7) / 20 - (side === 'B' ? 1 : 0), 90 - (side === 'B' ? 1 : 0)),
    pair: i >> 1,
  }));
  expect(compareRides(drawn, KNOWN)).toMatchObject({ pairs: 6, crossCheck: { pMax: 1 / 32, agrees: true } });
  // Without the second and the third ride the order would look as if it were one of pairs.
  const lost = drawn.filter((_, i) => i !== 1 && i !== 2);
  expect(compareRides(lost, KNOWN)).toMatchObject({ pairs: 4, crossCheck: null });
});

it('whoever looks at every pair of twelve still claims from nothing in 5 of 100 or less', () => {
  const random = seededRandom(33);
  const runs = tries(60, 300);
  const looked = Array.from({ length: runs }, () => {
    const order = Array.from({ length: 12 }, () => (random.uniform() < 0.5 ? 'AB' : 'BA')).join('');
    const rides = evening(random, order, 1, { rides: 0.5, drift: 0, unlike: 1 });
    return Array.from({ length: 11 }, (_, k) => rides.slice(0, 2 * (k + 2))).some((some) =>
      compareRides(some, { ...KNOWN, level: levelPerLook(12) }).measures.some(
        ({ verdict }) => verdict === 'differs',
      ),
    );
  });
  expect(looked.filter(Boolean).length / runs).toBeLessThan(0.05 + 2 * Math.sqrt((0.05 * 0.95) / runs));
});

it.each([
  [4, 1],
  [4, 12],
  [6, 1],
  [8, 12],
])(
  'what %s pairs of %s measures are said to show is seen 4 times in 5, or a little oftener',
  (pairs, measures) => {
    const random = seededRandom(57);
    const runs = tries(60, 400);
    const by = visibleWith({ pairs, lapsPerRide: 2 }, measures);
    const named = measures === 1 ? ('lapTimeS' as const) : undefined;
    const seen = Array.from({ length: runs }, () => {
      const order = Array.from({ length: pairs }, () => (random.uniform() < 0.5 ? 'AB' : 'BA')).join('');
      const rides = evening(random, order, measures, { rides: 0.5, drift: 0, unlike: 1 }).map((one) =>
        one.side === 'A' ? one : { ...one, laps: one.laps.map((l) => ({ ...l, timeS: l.timeS! + by })) },
      );
      return compareRides(rides, { ...KNOWN, named }).measures.some(
        ({ name, verdict }) => name === 'lapTimeS' && verdict === 'differs',
      );
    });
    const error = 2.5 * Math.sqrt((0.8 * 0.2) / runs);
    expect(seen.filter(Boolean).length / runs).toBeGreaterThan(0.8 - error);
    expect(seen.filter(Boolean).length / runs).toBeLessThan(0.88 + error);
  },
);

it('a lap that cannot tell a measure keeps its place in the trend', () => {
  const rides = [...'ABBA'].map((side, i): ComparedRide => ({
    side: side as 'A' | 'B',
    laps: [0, 1, 2].map((k) =>
      lap(90 - (3 * i + k), { brakePeak: i === 1 && k === 1 ? null! : 1 + 0.1 * (3 * i + k) }),
    ),
  }));
  const peak = compareRides(rides, KNOWN).measures.find(({ name }) => name === 'brakePeak')!;
  // A straight line over all twelve places is trend and nothing else.
  expect(peak.difference).toBeCloseTo(0, 9);
  expect(peak.drift).toBeCloseTo(1.1, 9);
  expect(peak.nB).toBe(5);
});

it('laps off the road count where the road is what is asked', () => {
  const off = (seconds: number): MeasuredLap => ({
    ...lap(95, { offTrackS: seconds }),
    counted: false,
    why: 'off-track',
  });
  const rides = [...'ABBA'].map((side): ComparedRide => ({
    side: side as 'A' | 'B',
    laps: [
      lap(90, { offTrackS: 0 }),
      side === 'B' ? off(2) : lap(90.1, { offTrackS: 0 }),
      lap(90.2, { offTrackS: 0 }),
    ],
  }));
  const told = compareRides(rides, KNOWN).measures;
  expect(told.find(({ name }) => name === 'offTrackS')).toMatchObject({ nA: 6, nB: 6, meanB: 2 / 3 });
  expect(told.find(({ name }) => name === 'lapTimeS')).toMatchObject({ nA: 6, nB: 4 });
});

/** An evening without any difference, by so many measures. */
function evening(
  random: ReturnType<typeof seededRandom>,
  order: string,
  measures: number,
  how: { rides: number; drift: number; unlike: number },
) {
  const names = MEASURES.filter(({ name }) => name !== 'lapTimeS' && name !== 'offTrackS').map(
    ({ name }) => name,
  );
  let driven = 0;
  return [...order].map((side): ComparedRide => {
    const sd = side === 'A' ? how.unlike : 1;
    const own = Array.from({ length: measures }, () => how.rides * random.normal());
    const laps = [0, 1].map(() => {
      const trend = (how.drift * driven++) / (2 * order.length);
      const value = (k: number) => sd * (own[k]! + random.normal()) + trend;
      const more = names.slice(0, measures - 1).map((name, k): [MeasureName, number] => [name, value(k + 1)]);
      return lap(90 + value(0), Object.fromEntries(more));
    });
    return { side: side as 'A' | 'B', laps };
  });
}

it.each([
  ['nothing but spread, one measure', 1, { rides: 0, drift: 0, unlike: 1 }],
  ['nothing but spread, twelve', 12, { rides: 0, drift: 0, unlike: 1 }],
  ['a trend of two spreads', 12, { rides: 0.5, drift: 2, unlike: 1 }],
  ['rides that differ', 12, { rides: 0.5, drift: 0, unlike: 1 }],
  ['unlike sides', 4, { rides: 0.5, drift: 1, unlike: 3 }],
])('of evenings without a difference one in twenty or less makes a claim: %s', (_, measures, how) => {
  const random = seededRandom(31);
  const runs = tries(60, 400);
  let [claims, early] = [0, 0];
  const isClaimed = (rides: ComparedRide[], level: number) =>
    compareRides(rides, { isOrderKnown: true, level }).measures.some(({ verdict }) => verdict === 'differs');
  for (let i = 0; i < runs; i++) {
    const order = Array.from({ length: 4 }, () => (random.uniform() < 0.5 ? 'AB' : 'BA')).join('');
    const rides = evening(random, order, measures, how);
    if (isClaimed(rides, AT_END)) claims++;
    if ([4, 6, 8].some((n) => isClaimed(rides.slice(0, n), levelPerLook(4)))) early++;
  }
  // Twice the error of a share of 5 % over so many.
  const most = 0.05 + 2 * Math.sqrt((0.05 * 0.95) / runs);
  expect(claims / runs).toBeLessThan(most);
  expect(early / runs).toBeLessThan(most);
});
