import type { Recording } from '../axes/recording';
import { readCaptureCsv, writeCaptureCsv } from '../formats/captureCsv';
import { baseByHand, type BaseByHand } from './baseByHand';
import { simulateSpins, type Spinning } from './simulateSpins';
import { tries } from '../testing/longRun';
import { readings, TRUE_BASES, truthOf, wholeEvening } from './testing/trueBases';

const SEEDS = tries(8, 20);
const spun = (spinning: Spinning) => {
  const recording = simulateSpins(spinning);
  return baseByHand([{ recording, countsPerDegree: spinning.reading.countsPerDegree }]);
};
function found(spinning: Spinning): BaseByHand {
  const out = spun(spinning);
  if (!out.ok) throw new Error(out.problems[0]!.message);
  return out.value;
}
const refusal = (spinning: Spinning) => {
  const out = spun(spinning);
  return out.ok ? null : out.problems[0]!.code;
};
const figuresOf = ({ imbalance, ...found }: BaseByHand) => ({
  frictionOverInertia: found.frictionOverInertia,
  dampingOverInertia: found.dampingOverInertia,
  inertiaKgM2: found.inertiaKgM2!,
  frictionNm: found.frictionNm!,
  dampingNmsPerRad: found.dampingNmsPerRad!,
  ...imbalance,
});

const belt = TRUE_BASES.belt;
const evening = wholeEvening(belt, readings(belt).raw, 1);

describe.each(Object.entries(TRUE_BASES))('a %s base of which the truth is known', (_, base) => {
  it.each(Object.entries(readings(base)))('its intervals hold it, read as %s', (__, reading) => {
    const truth = truthOf(base);
    const names = Object.keys(truth) as (keyof typeof truth)[];
    const width = { frictionNm: 0, inertiaKgM2: 0 };
    const inside = new Map(names.map((name) => [name, 0]));
    for (let seed = 1; seed <= SEEDS; seed++) {
      const figures = figuresOf(found(wholeEvening(base, reading, seed)));
      for (const name of names) {
        const { low, high, value } = figures[name];
        if (low <= truth[name] && truth[name] <= high) inside.set(name, inside.get(name)! + 1);
        expect(low).toBeLessThan(value);
      }
      for (const name of ['frictionNm', 'inertiaKgM2'] as const)
        width[name] += (figures[name].high - figures[name].low) / 2 / truth[name] / SEEDS;
    }
    // Of such a friction and inertia a minimum force and a damper can be set.
    expect(width.frictionNm).toBeLessThan(0.02);
    expect(width.inertiaKgM2).toBeLessThan(0.025);
    // Were 91 % the truth, fewer than 15 of 20 (5 of 8) would come once in a hundred such tests of seven figures.
    for (const count of inside.values()) expect(count).toBeGreaterThanOrEqual(tries(5, 15));
    const all = [...inside.values()].reduce((sum, count) => sum + count, 0);
    expect(all / (SEEDS * names.length)).toBeGreaterThan(0.88);
  });
});

it('flicks alone give everything over the inertia, and nothing that they cannot know', () => {
  const alone = found({ ...evening, releases: 0, mass: null });
  expect(alone.inertiaKgM2).toBeNull();
  expect(alone.frictionNm).toBeNull();
  expect(alone.dampingNmsPerRad).toBeNull();
  expect(alone.swings).toBe(16);
  const { value } = alone.frictionOverInertia;
  expect(Math.abs(value / truthOf(belt).frictionOverInertia - 1)).toBeLessThan(0.03);
});

it('releases alone take the rim for balanced, and say so', () => {
  const alone = found({ ...evening, flicks: 0 });
  expect(alone.warnings.join()).toMatch(/balanced/);
  expect(alone.imbalance.sinOverInertia.value).toBe(0);
  // u is 0.05 of some 0.5 N·m: the inertia is off by about that much, and no more.
  expect(Math.abs(alone.inertiaKgM2!.value / belt.inertiaKgM2 - 1)).toBeLessThan(0.2);
});

it('a spring that was left on is found, and told from the imbalance', () => {
  const sprung = { ...belt, springNmPerRad: 0.06, imbalanceNm: { sin: 0.02, cos: 0 } };
  const { springOverInertia } = found({ ...evening, base: sprung });
  expect(springOverInertia!.low).toBeLessThan(0.06 / belt.inertiaKgM2);
  expect(springOverInertia!.high).toBeGreaterThan(0.06 / belt.inertiaKgM2);
  expect(found(evening).springOverInertia).toBeNull();
});

it('a wheel that reads the other way round is the same base', () => {
  const recording = simulateSpins(evening);
  const turned: Recording = {
    ...recording,
    axes: { steering: recording.axes.steering!.map((raw) => -raw) },
  };
  const { countsPerDegree } = evening.reading;
  const one = baseByHand([{ recording, countsPerDegree }]);
  expect(baseByHand([{ recording: turned, countsPerDegree: -countsPerDegree }])).toEqual(one);
});

it('a file gives what the recording gives', () => {
  const recording = simulateSpins(evening);
  const read = readCaptureCsv(writeCaptureCsv(recording));
  if (!read.ok) throw new Error(read.problems[0]!.message);
  const { countsPerDegree = 0 } = read.value;
  expect(baseByHand([{ recording: read.value, countsPerDegree }])).toEqual(spun(evening));
});

it('several recordings of one base count as one', () => {
  const { countsPerDegree } = evening.reading;
  const some = [1, 2].map((seed) => simulateSpins({ ...evening, seed, flicks: 6, releases: 4 }));
  const both = baseByHand(some.map((recording) => ({ recording, countsPerDegree })));
  expect(both.ok && both.value.swings).toBe(20);
});

describe('is refused', () => {
  it('with five spins', () => {
    expect(refusal({ ...evening, flicks: 5, releases: 0, mass: null })).toBe('too-few-swings');
    expect(refusal({ ...evening, flicks: 6, releases: 0, mass: null })).toBeNull();
  });

  it('with a mass that friction can hold', () => {
    const light = { grams: 200, millimetres: 140 };
    expect(refusal({ ...evening, mass: light })).toBe('mass-too-light');
  });
});

it('what a rim does against its stops is left out', () => {
  const narrow = { ...belt, rotationDeg: 300 };
  const { value } = found({ ...evening, base: narrow }).frictionOverInertia;
  expect(Math.abs(value / truthOf(belt).frictionOverInertia - 1)).toBeLessThan(0.03);
});
