import { alongPairs } from '@/core/experiment/alongPairs';
import { bettingScore, MOST_BLIND_PAIRS, type BlindPair } from '@/core/experiment/bettingScore';
import { compareRides, type ComparedRide } from '@/core/experiment/compareRides';
import type { FinderRide, FinderSetting } from '@/core/experiment/finder/answers';
import { findBest } from '@/core/experiment/finder/findBest';
import { outlook, USUAL_PLAN } from '@/core/experiment/planRides';
import { seededRandom, type Random } from '@/core/numeric/random';
import type { AlongRoad } from '@/core/rides/alongRoad';
import type { MeasuredLap } from '@/core/rides/measureRide';
import { MEASURES } from '@/core/rides/measures';

type Say = (what: string, figure: string) => void;
type Time = (work: () => unknown) => number;

/** Evenings of nothing, searches and guessers: what is claimed wrongly, how often the truth is covered, how long it takes. */
export function benchExperiments(say: Say, time: Time): void {
  claims(say);
  guessers(say);
  searches(say);
  speed(say, time);
}

const percent = (share: number) => `${(100 * share).toFixed(1)} %`;

function evening(
  random: Random,
  pairs: number,
  measures: number,
  how: { rides: number; drift: number; unlike: number; by: number },
): ComparedRide[] {
  const order = Array.from({ length: pairs }, () => (random.uniform() < 0.5 ? 'AB' : 'BA')).join('');
  const names = MEASURES.filter(({ name }) => name !== 'lapTimeS' && name !== 'offTrackS').map(
    ({ name }) => name,
  );
  let driven = 0;
  return [...order].map((side): ComparedRide => {
    const sd = side === 'A' ? how.unlike : 1;
    const own = Array.from({ length: measures }, () => how.rides * random.normal());
    const laps = [0, 1].map((): MeasuredLap => {
      const trend = (how.drift * driven++) / (2 * order.length);
      const value = (k: number) =>
        sd * (own[k]! + random.normal()) + trend + (k === 0 && side === 'B' ? how.by : 0);
      const told = new Map(names.slice(0, measures - 1).map((name, k) => [name, value(k + 1)]));
      const said = MEASURES.map(({ name }) => [name, told.get(name as never) ?? null]);
      return {
        lap: 1,
        timeS: 90 + value(0),
        counted: true,
        why: null,
        measures: Object.fromEntries(said) as MeasuredLap['measures'],
      };
    });
    return { side: side as 'A' | 'B', laps };
  });
}

const EVENINGS = 2000;

function claims(say: Say): void {
  for (const [what, measures, how, pairs] of [
    ['spread alone, 1 measure', 1, { rides: 0, drift: 0, unlike: 1 }, 4],
    ['spread alone, 12 measures', 12, { rides: 0, drift: 0, unlike: 1 }, 4],
    ['a trend of 2 spreads, 12', 12, { rides: 0.5, drift: 2, unlike: 1 }, 4],
    ['rides that differ, 12', 12, { rides: 0.5, drift: 0, unlike: 1 }, 4],
    ['rides as much as laps, 12', 12, { rides: 1, drift: 0, unlike: 1 }, 4],
    ['rides twice as much, 12', 12, { rides: 2, drift: 0, unlike: 1 }, 4],
    ['spreads 3 : 1, 4', 4, { rides: 0.5, drift: 1, unlike: 3 }, 4],
    ['six pairs, rides twice as much, 12', 12, { rides: 2, drift: 2, unlike: 1 }, 6],
    ['six pairs, spreads 3 : 1, 4', 4, { rides: 0.5, drift: 1, unlike: 3 }, 6],
  ] as const) {
    const random = seededRandom(71);
    let [wrong, covered] = [0, 0];
    for (let i = 0; i < EVENINGS; i++) {
      const nothing = compareRides(evening(random, pairs, measures, { ...how, by: 0 }), {
        isOrderKnown: true,
      });
      if (nothing.measures.some(({ verdict }) => verdict === 'differs')) wrong++;
      const some = compareRides(evening(random, pairs, 1, { ...how, by: -0.7 }), { isOrderKnown: true })
        .measures[0]!;
      if (some.interval[0] <= -0.7 && some.interval[1] >= -0.7) covered++;
    }
    say(`claims from nothing, ${what} (goal: 5 %)`, percent(wrong / EVENINGS));
    say(`  the truth lies in the 95 % interval (goal: .93 to .98)`, (covered / EVENINGS).toFixed(3));
  }
}

const GUESSERS = 20_000;

function guessers(say: Say): void {
  const random = seededRandom(72);
  let reached = 0;
  for (let i = 0; i < GUESSERS; i++) {
    const pairs = Array.from({ length: MOST_BLIND_PAIRS }, (): BlindPair => ({
      order: 'AB',
      answer: random.uniform() < 0.5 ? 'first' : 'second',
      sure: null,
    }));
    if (bettingScore('which', pairs).highest >= 20) reached++;
  }
  say('guessers who reach a score of 20, peeking at will (goal: 5 %)', percent(reached / GUESSERS));
}

const SCALE = 100;
const DRIVERS = 150;

interface Searched {
  state: string;
  rides: number;
  /** Whether the value lay within a just noticeable difference, after each ride. */
  isWithin: boolean[];
}

function search(random: Random, settings: number, kind: 'feels' | 'coin' | 'more', seed: number): Searched {
  const all: FinderSetting[] = Array.from({ length: settings }, (_, k) => ({
    key: `s${k}`,
    min: 0,
    max: SCALE,
    step: 1,
  }));
  const best = all.map(() => random.uniform());
  const sigma = all.map(() => 0.1048 * [0.4, 0.63, 0.63, 1, 1, 1, 1.6, 1.6, 2.5][random.below(9)]!);
  const bend = settings === 1 ? [0.5, 0.71, 1, 1.41, 2][random.below(5)]! : 1;
  const feel = (x: number, k: number) => {
    const slope = sigma[k]! * bend * Math.max(best[k]!, 0.05) ** (bend - 1);
    return (x ** bend - best[k]! ** bend) / slope + random.normal();
  };
  const away = (ride: FinderRide) =>
    all.reduce((sum, { key }, k) => sum + feel(ride.values[key]! / SCALE, k) ** 2, 0);
  const rides: FinderRide[] = [];
  const isWithin: boolean[] = [];
  let told = findBest(all, rides, seed);
  while (told.state === 'searching') {
    const ride: FinderRide = { values: told.next!, better: null, wants: {} };
    const isBlunt = kind !== 'feels' || random.uniform() < 0.05;
    const before = rides.at(-1);
    if (before)
      ride.better = (isBlunt ? random.uniform() < 0.5 : away(ride) < away(before)) ? 'this' : 'before';
    all.forEach(({ key }, k) => {
      const isMore =
        kind === 'more' || (isBlunt ? random.uniform() < 0.5 : feel(ride.values[key]! / SCALE, k) < 0);
      ride.wants[key] = isMore ? 'more' : 'less';
    });
    rides.push(ride);
    told = findBest(all, rides, seed);
    isWithin.push(
      all.every(({ key }, k) => Math.abs(told.best[key]!.value / SCALE - best[k]!) <= sigma[k]! / 1.048),
    );
  }
  return { state: told.state, rides: rides.length, isWithin };
}

function searches(say: Say): void {
  for (const [settings, drivers, after] of [
    [1, DRIVERS, 9],
    [2, DRIVERS / 5, 12],
    [3, DRIVERS / 10, 20],
  ] as const) {
    const random = seededRandom(73);
    const found = Array.from({ length: drivers }, (_, i) => search(random, settings, 'feels', i));
    const within =
      found.filter(({ isWithin }) => isWithin[Math.min(after, isWithin.length) - 1]).length / drivers;
    const claimed = found.filter(({ state }) => state === 'found');
    const rides = found.map((one) => one.rides).sort((a, b) => a - b);
    say(
      `finder, ${settings} setting${settings > 1 ? 's' : ''}: within 1 JND after ${after} rides (goal: 85 %)`,
      percent(within),
    );
    say(
      `  claims: ${percent(claimed.length / drivers)}, right in`,
      percent(claimed.filter(({ isWithin }) => isWithin.at(-1)).length / claimed.length),
    );
    say('  rides, median and 90th', `${rides[rides.length >> 1]}, ${rides[Math.floor(0.9 * rides.length)]}`);
  }
  for (const kind of ['coin', 'more'] as const) {
    const random = seededRandom(74);
    const found = Array.from({ length: DRIVERS }, (_, i) => search(random, 1, kind, i));
    say(
      `finder: claims of somebody who answers by ${kind === 'coin' ? 'coin' : 'always more'} (goal: 5 %)`,
      percent(found.filter(({ state }) => state === 'found').length / DRIVERS),
    );
  }
}

function speed(say: Say, time: Time): void {
  const random = seededRandom(75);
  const rides = evening(random, 8, 12, { rides: 0.5, drift: 0, unlike: 1, by: 0 });
  const curve = () => Float64Array.from({ length: 341 }, () => random.normal());
  const along = (): AlongRoad => ({
    stepM: 10,
    clips: null,
    channels: {
      time: curve(),
      speed_mps: curve(),
      steer_deg: curve(),
      brake: curve(),
      throttle: curve(),
      torque_nm: curve(),
    },
  });
  const pairs = Array.from({ length: 8 }, () => ({ a: along(), b: along() }));
  const compared = time(() => [compareRides(rides, { isOrderKnown: true }), alongPairs(pairs)]);
  say('compare 12 measures of 8 pairs, with bands (goal: 300 ms)', `${compared.toFixed(0)} ms`);
  for (const [settings, goal] of [
    [1, 150],
    [3, 1000],
  ] as const) {
    const all = Array.from({ length: settings }, (_, k) => ({ key: `s${k}`, min: 0, max: SCALE, step: 1 }));
    const ridden = Array.from({ length: 20 }, (_, i): FinderRide => ({
      values: Object.fromEntries(all.map(({ key }) => [key, (37 * i) % 100])),
      better: i === 0 ? null : i % 2 ? 'this' : 'before',
      wants: Object.fromEntries(all.map(({ key }) => [key, (37 * i) % 100 < 40 ? 'more' : 'less'])),
    }));
    say(
      `next ride of a search, ${settings} setting${settings > 1 ? 's' : ''}, 20 rides (goal: ${goal} ms)`,
      `${time(() => findBest(all, ridden, 1)).toFixed(0)} ms`,
    );
  }
  say(
    'a plan',
    `${time(() => outlook(USUAL_PLAN, { sigma: 0.3, upper: 0.4, df: 9 }, 12, 100)).toFixed(1)} ms`,
  );
}
