import fc from 'fast-check';
import { seededRandom } from '../numeric/random';
import { simultaneousBand } from './simultaneousBand';
import { bettingScore, chanceOfShown, MOST_BLIND_PAIRS, type BlindPair } from './bettingScore';
import { randomizedOrders, committedText, seededCoin, sidesOf } from './randomizedOrders';
import { justNoticeable, type NoticedPair } from './justNoticeable';
import { LEAST_PAIRS } from './noticed';
import { pairedRatings } from './pairedRatings';
import { lapsToShow, minutesOf, outlook, pairsToShow, spreadOf, visibleWith } from './planRides';
import { strongestUnderFlips } from './signFlips';
import { tellApart, type PutBackRide } from './tellApart';
import { itLong, tries } from '../testing/longRun';

describe('what a plan takes', () => {
  it('one lap spread takes 17 laps a side where it is named, 30 among twelve; a tenth at 0.3 s about 140', () => {
    expect(lapsToShow(1)).toBe(17);
    expect(lapsToShow(1, 12)).toBe(30);
    expect(lapsToShow(0.1 / 0.3)).toBe(143);
    expect(lapsToShow(0.001)).toBeNull();
  });

  it('what is seen shrinks with every pair but the sixth, from which on flips decide, and grows with every measure', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 15 }), fc.integer({ min: 1, max: 12 }), (pairs, measures) => {
        const plan = { pairs, lapsPerRide: 2 };
        const seen = visibleWith(plan, measures);
        const next = visibleWith({ ...plan, pairs: pairs + 1 }, measures);
        if (pairs === 5) expect(next).toBeGreaterThan(seen);
        else expect(next).toBeLessThan(seen);
        expect(visibleWith(plan, measures + 1)).toBeGreaterThan(seen);
        const fewest = pairsToShow(seen, 2, measures)!;
        expect(fewest).toBeLessThanOrEqual(pairs);
        expect(visibleWith({ ...plan, pairs: fewest }, measures)).toBeLessThanOrEqual(seen);
        expect(visibleWith({ ...plan, pairs: fewest - 1 }, measures)).toBeGreaterThan(seen);
      }),
    );
    expect(visibleWith({ pairs: 1, lapsPerRide: 2 })).toBe(Infinity);
    expect(pairsToShow(0.01, 2)).toBeNull();
  });

  it('the spread is of laps within their rides, and few laps leave it open', () => {
    expect(
      spreadOf([
        [1, 3],
        [11, 13],
      ]),
    ).toMatchObject({ sigma: Math.SQRT2, df: 2 });
    expect(spreadOf([[1], []])).toBeNull();
    const [few, many] = [spreadOf([[1, 3, 5]])!, spreadOf(Array.from({ length: 40 }, () => [1, 3, 5]))!];
    expect(few.upper / few.sigma).toBeGreaterThan(2);
    expect(many.upper / many.sigma).toBeLessThan(1.12);
    const seen = outlook({ pairs: 4, lapsPerRide: 2 }, few, 1, 100);
    expect(seen.visibleAtWorst / seen.visible).toBeCloseTo(few.upper / few.sigma, 9);
    expect(seen.minutes).toBeCloseTo((8 * 330) / 60, 9);
    expect(minutesOf({ pairs: 1, lapsPerRide: 2 }, 60)).toBeCloseTo(7, 9);
  });

  it('the 80 % bound holds in 80 of 100 samples', () => {
    const random = seededRandom(2);
    const holds = Array.from({ length: 2000 }, () => {
      const rides = [0, 1, 2].map(() => [random.normal(), random.normal()]);
      return spreadOf(rides)!.upper >= 1;
    });
    expect(holds.filter(Boolean).length / 2000).toBeCloseTo(0.8, 1);
  });
});

describe('flips of pairs', () => {
  it('of six that all go one way only one flip is as strong', () => {
    expect(strongestUnderFlips([[1, 2, 3, 4, 5, 6]])).toEqual([1 / 32]);
    expect(strongestUnderFlips([[0, 0, 0, 0, 0, 0]])).toEqual([1]);
    expect(strongestUnderFlips([])).toEqual([]);
  });

  it('are as if every flip had been gone through', () => {
    const brute = (rows: number[][]) => {
      const strength = (row: number[], flip: number) => {
        const flipped = row.map((d, k) => ((flip >> k) & 1 ? -d : d));
        const sum = flipped.reduce((a, d) => a + d, 0);
        return (sum * sum) / row.reduce((a, d) => a + d * d, 0);
      };
      const all = Array.from({ length: 2 ** rows[0]!.length }, (_, flip) =>
        Math.max(...rows.map((row) => strength(row, flip))),
      );
      return rows.map(
        (row) => all.filter((most) => most >= strength(row, 0) * (1 - 1e-9)).length / all.length,
      );
    };
    const row = fc.array(
      fc.integer({ min: 1, max: 50 }).chain((v) => fc.constantFrom(v, -v)),
      { minLength: 6, maxLength: 6 },
    );
    fc.assert(
      fc.property(fc.array(row, { minLength: 1, maxLength: 4 }), (rows) => {
        strongestUnderFlips(rows).forEach((p, m) => expect(p).toBeCloseTo(brute(rows)[m]!, 12));
      }),
      { numRuns: tries(20, 50) },
    );
  });

  it('ratings: the named one alone, the others against the strongest, only dots under six pairs', () => {
    const up = { a: { weight: 3, detail: 4 }, b: { weight: 5, detail: 4 } };
    const six = pairedRatings(Array(6).fill(up), 'weight');
    expect(six.map(({ dimension, mean, p }) => [dimension, mean, p])).toEqual([
      ['weight', 2, 1 / 32],
      ['detail', 0, 1],
    ]);
    expect(pairedRatings(Array(5).fill(up), 'weight').every(({ p }) => p === null)).toBe(true);
    const partly = [...Array(6).fill(up), { a: { weight: 3 }, b: {} }];
    expect(pairedRatings(partly, null)[0]).toMatchObject({ differences: [2, 2, 2, 2, 2, 2], p: null });
  });
});

describe('the betting score', () => {
  const pair = (right: boolean, sure: BlindPair['sure'] = null): BlindPair => ({
    order: 'AB',
    answer: right ? 'second' : 'first',
    sure,
  });

  it('multiplies as it says, follows the order as driven, and leaves out what cannot be said', () => {
    const both = [pair(true), { order: 'BA', answer: 'first', sure: 'sure' } as const];
    expect(bettingScore('which', both)).toEqual({
      pairs: 2,
      right: 2,
      wrong: 0,
      none: 0,
      score: 1.7 * 1.9,
      highest: 1.7 * 1.9,
      verdict: 'open',
      prefers: null,
    });
    expect(bettingScore('which', [{ order: 'AB', answer: 'none', sure: null }])).toMatchObject({
      none: 1,
      score: 1,
      highest: 1,
    });
    expect(bettingScore('which', [])).toMatchObject({ score: 1, verdict: 'open' });
  });

  it('is shown at 20, stays shown, and is over where 20 is out of reach', () => {
    const six = Array(6).fill(pair(true));
    expect(bettingScore('which', six)).toMatchObject({ verdict: 'shown' });
    expect(bettingScore('which', [...six, ...Array(6).fill(pair(false))]).verdict).toBe('shown');
    expect(bettingScore('which', [pair(false), pair(false)]).verdict).toBe('not shown');
    const even = Array.from({ length: MOST_BLIND_PAIRS }, (_, i) => pair(i % 2 === 0));
    expect(bettingScore('which', even).verdict).toBe('not shown');
    const idle = Array<BlindPair>(MOST_BLIND_PAIRS).fill({ order: 'AB', answer: 'none', sure: null });
    expect(bettingScore('which', idle.slice(0, 10)).verdict).toBe('open');
    // From eleven on five right ones at most are left: 1.7⁵ is 14.
    expect(bettingScore('which', idle.slice(0, 11)).verdict).toBe('not shown');
  });

  it('of "which is better?" both sides are bet on', () => {
    const forA = Array(8).fill(pair(false));
    expect(bettingScore('better', forA)).toMatchObject({ verdict: 'shown', prefers: 'A', wrong: 8 });
    expect(bettingScore('better', [pair(true)]).score).toBeCloseTo(1, 12);
  });

  it('somebody who only guesses reaches 20 less than once in twenty, peeking at will; nine of ten is nearly always shown', () => {
    const random = seededRandom(9);
    for (const question of ['which', 'better'] as const)
      for (const sure of [null, 'sure', 'think'] as const) {
        let reached = 0;
        for (let i = 0; i < 1000; i++) {
          const pairs = Array.from({ length: MOST_BLIND_PAIRS }, () => pair(random.uniform() < 0.5, sure));
          if (bettingScore(question, pairs).highest >= 20) reached++;
        }
        expect(reached / 1000).toBeLessThan(0.05 + 2 * Math.sqrt((0.05 * 0.95) / 1000));
      }
    expect(chanceOfShown(0.5)).toBeLessThan(0.05);
    expect(chanceOfShown(0.9)).toBeGreaterThan(0.92);
  });

  it('coins are independent, the same for a seed, and what is promised is all of them', () => {
    expect(randomizedOrders(5, seededCoin(4))).toEqual(randomizedOrders(5, seededCoin(4)));
    const many = randomizedOrders(4000, seededCoin(1));
    const first = many.filter((order) => order === 'AB').length;
    expect(Math.abs(first - 2000)).toBeLessThan(130);
    const repeats = many.filter((order, i) => i > 0 && order === many[i - 1]).length;
    expect(Math.abs(repeats - 2000)).toBeLessThan(130);
    expect(sidesOf(['AB', 'BA'])).toEqual(['A', 'B', 'B', 'A']);
    expect(committedText(['AB', 'BA'], 'm3')).toBe('AB,BA:m3');
  });
});

describe('which of several changes did it', () => {
  const ridesUntilTold = (
    changes: number,
    culprit: number,
    random: ReturnType<typeof seededRandom>,
    one: boolean,
  ) => {
    const effect = { before: 0, after: 3, rideSd: 1 };
    const rides: PutBackRide[] = [];
    for (;;) {
      const { found, next } = tellApart(changes, rides, effect);
      if (found !== null) return { found, rides: rides.length };
      const putBack = one ? [rides.length % changes] : next!;
      rides.push({ putBack, value: (putBack.includes(culprit) ? 0 : 3) + random.normal() });
    }
  };

  it('finds it, with five changes in fewer rides than one at a time', () => {
    const random = seededRandom(6);
    let [halved, single, right] = [0, 0, 0];
    const runs = 300;
    for (let i = 0; i < runs; i++) {
      const culprit = random.below(5);
      const told = ridesUntilTold(5, culprit, random, false);
      halved += told.rides / runs;
      if (told.found === culprit) right++;
      single += ridesUntilTold(5, culprit, random, true).rides / runs;
    }
    expect(right / runs).toBeGreaterThan(0.93);
    expect(halved).toBeLessThan(4.9);
    expect(single - halved).toBeGreaterThan(1);
  });

  it('puts one back at a time up to three, two from four on, and says where it takes long', () => {
    expect(tellApart(3, [], { before: 0, after: 3, rideSd: 1 }).next).toHaveLength(1);
    expect(tellApart(4, [], { before: 0, after: 3, rideSd: 1 })).toMatchObject({
      next: [0, 1],
      isHard: false,
    });
    expect(tellApart(2, [], { before: 0, after: 1, rideSd: 1 }).isHard).toBe(true);
  });
});

describe('just noticeable difference', () => {
  const OFFERED = [1, 2, 3, 4, 5, 6, 8, 10, 13, 16, 20, 25, 30, 36, 43, 50, 60].map((share) => share / 100);
  /** Answers of somebody who just notices `jnd` of the range, until it is known or they have had enough. */
  function answered(jnd: number, seed: number, most = Infinity): NoticedPair[] {
    const random = seededRandom(seed);
    const pairs: NoticedPair[] = [];
    for (;;) {
      const { next } = justNoticeable(pairs, OFFERED);
      if (next === null || pairs.length === most) return pairs;
      const felt = Number.isFinite(jnd) ? next + Math.SQRT2 * 1.048 * jnd * random.normal() : random.normal();
      pairs.push({ apart: next, isRight: random.uniform() < 0.05 ? random.uniform() < 0.5 : felt > 0 });
    }
  }
  const DRIVERS = tries(8, 30);
  const told = (jnd: number, most?: number) =>
    Array.from({ length: DRIVERS }, (_, i) => {
      const pairs = answered(jnd, 1000 + i, most);
      return { ...justNoticeable(pairs, OFFERED), pairs: pairs.length };
    });
  /** So many of thirty may err where one in ten does: twice the spread of that count more. */
  const ERRING = 0.1 * DRIVERS + 2 * Math.sqrt(0.1 * 0.9 * DRIVERS);

  it.each([0.03, 0.1, 0.3])(
    '%d of the range is found within its interval in some forty-five pairs',
    (jnd) => {
      const all = told(jnd);
      expect(all.filter(({ low, high }) => jnd < low || jnd > high).length).toBeLessThanOrEqual(ERRING);
      const known = all.filter(({ low, high }) => high / low < 1.6 ** 2 * 1.3);
      expect(known.length).toBeGreaterThanOrEqual(DRIVERS - ERRING);
      const median = all.map(({ pairs }) => pairs).toSorted((a, b) => a - b)[DRIVERS >> 1]!;
      expect([median > 30, median < 56]).toEqual([true, true]);
    },
  );

  itLong(
    'nobody who notices half of it, all of it or nothing is told that they notice less, however early they end',
    () => {
      for (const jnd of [0.5, 1, Infinity])
        for (const most of [LEAST_PAIRS, 12, Infinity]) {
          const wrong = told(jnd, most).filter(({ high }) => high < Math.min(jnd, OFFERED.at(-1)!));
          expect([jnd, most, wrong.length <= ERRING]).toEqual([jnd, most, true]);
        }
    },
  );

  it('who notices every step, or guesses, is not asked until the end', () => {
    for (const [jnd, most] of [
      [0.0005, 30],
      [Infinity, 45],
    ] as const) {
      const counts = told(jnd).map(({ pairs }) => pairs);
      expect(counts.toSorted((a, b) => a - b)[DRIVERS >> 1]!).toBeLessThan(most);
    }
  });
});

describe('bands over distance', () => {
  const BINS = 120;
  /** A ride's curve: what is common to all, its own smooth wandering, and what B has more. */
  function curve(random: ReturnType<typeof seededRandom>, more: (i: number) => number): Float64Array {
    const knots = Array.from({ length: BINS / 10 + 2 }, () => random.normal());
    return Float64Array.from({ length: BINS }, (_, i) => {
      const at = i / 10;
      const [k, f] = [Math.floor(at), at % 1];
      return 30 + knots[k]! * (1 - f) + knots[k + 1]! * f + more(i);
    });
  }
  const pairsOf = (random: ReturnType<typeof seededRandom>, pairs: number, more: (i: number) => number) =>
    Array.from({ length: pairs }, () => ({ a: curve(random, () => 0), b: curve(random, more) }));

  it('of pairs without a difference one in twenty or fewer shows anything anywhere', () => {
    const random = seededRandom(12);
    for (const pairs of [6, 8]) {
      let any = 0;
      for (let i = 0; i < 300; i++)
        if (simultaneousBand(pairsOf(random, pairs, () => 0)).shown.length > 0) any++;
      expect(any / 300).toBeLessThan(0.05 + 2 * Math.sqrt((0.05 * 0.95) / 300));
    }
  });

  it('holds the truth everywhere at once, and shows a corner where it was planted', () => {
    const random = seededRandom(13);
    const corner = (i: number) => (i >= 40 && i < 60 ? 6 : 0);
    let [covered, found] = [0, 0];
    const runs = 200;
    for (let i = 0; i < runs; i++) {
      const { low, high, shown } = simultaneousBand(pairsOf(random, 8, corner));
      if (low!.every((v, k) => v <= corner(k) && corner(k) <= high![k]!)) covered++;
      if (shown.some(({ from, to }) => from < 60 && to > 40)) found++;
    }
    expect(covered / runs).toBeGreaterThan(0.92);
    expect(found / runs).toBeGreaterThan(0.8);
  });

  it('draws no band under six pairs, and turns round with the sides', () => {
    const random = seededRandom(14);
    const few = simultaneousBand(pairsOf(random, 5, () => 9));
    expect(few).toMatchObject({ low: null, high: null, shown: [] });
    const pairs = pairsOf(random, 7, (i) => (i < 20 ? 4 : 0));
    const there = simultaneousBand(pairs);
    const back = simultaneousBand(pairs.map(({ a, b }) => ({ a: b, b: a })));
    there.difference.forEach((v, i) => expect(back.difference[i]).toBeCloseTo(-v, 9));
    expect(back.shown).toEqual(there.shown);
    expect(simultaneousBand([]).difference).toHaveLength(0);
  });
});
