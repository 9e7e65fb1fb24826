import fc from 'fast-check';
import { carById } from '@/catalog/find';
import { seededRandom } from '../numeric/random';
import { expectedNext, judgeNext, LEAST_BEFORE } from './history';
import { DRILL_NAMES, drillOf, DRILLS, type DrillName } from './measureDrill';
import { drillsFor } from './possible';
import { dueMs, nextPractice, type Practised } from './practice';

const DAY = 86_400_000;

it('what the car cannot be driven in is never next', () => {
  const others = DRILL_NAMES.filter((name) => name !== 'hold-angle');
  const known = new Map(
    others.map((name, i) => [name, [9, 10, 11, 10, 9 + i].map((value, k) => ({ atMs: k, value }))]),
  );
  expect(nextPractice(known, 0)).toMatchObject({ name: 'hold-angle', why: 'unknown' });
  expect(nextPractice(known, 100 * DAY, others)).toMatchObject({ why: 'widest' });
  expect(drillsFor(carById('fenwick-six'))).toContain('hold-angle');
  for (const id of ['marl-850', 'dray-55']) expect(drillsFor(carById(id))).not.toContain('hold-angle');
});

it('the interval is mean ± t·s·√(1 + 1/n), worked out by hand', () => {
  // 10, 12, 11, 13, 9: mean 11, s √2.5, t(.95, 4) 2.131847.
  const { mean, sd, low, high, n } = expectedNext([10, 12, 11, 13, 9])!;
  const reach = 2.131847 * Math.sqrt(2.5) * Math.sqrt(1.2);
  expect([n, mean]).toEqual([5, 11]);
  expect(sd).toBeCloseTo(Math.sqrt(2.5), 9);
  expect(high - mean).toBeCloseTo(reach, 4);
  expect(mean - low).toBeCloseTo(reach, 4);
});

it('of somebody who stays the same nine attempts in ten are as usual, whatever the drill’s scale', () => {
  const random = seededRandom(5);
  for (const n of [5, 9, 20]) {
    let [within, better, worse] = [0, 0, 0];
    for (let run = 0; run < 3000; run++) {
      const draw = () => 40 + 3 * random.normal();
      const judged = judgeNext(expectedNext(Array.from({ length: n }, draw))!, draw(), 'less')!;
      if (judged === 'as usual') within++;
      else if (judged === 'better') better++;
      else worse++;
    }
    expect(within / 3000).toBeGreaterThan(0.88);
    expect(within / 3000).toBeLessThan(0.92);
    expect(Math.abs(better - worse)).toBeLessThan(80);
  }
});

it('fewer than five tell nothing, and what never varied expects nothing', () => {
  expect(expectedNext([1, 2, 3, 4])).toBeNull();
  expect(judgeNext(expectedNext([2, 2, 2, 2, 2])!, 9, 'less')).toBeNull();
});

it('better and worse follow the measure’s way, and turn round with it', () =>
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 1000 }), { minLength: 5, maxLength: 12 }),
      fc.integer({ min: -2000, max: 3000 }),
      (before, value) => {
        const expected = expectedNext(before)!;
        const [less, more] = [judgeNext(expected, value, 'less'), judgeNext(expected, value, 'more')];
        const turned = { better: 'worse', worse: 'better', 'as usual': 'as usual' } as const;
        expect(more).toBe(less === null ? null : turned[less]);
      },
    ),
  ));

it('every drill has its merits among its measures', () => {
  for (const name of DRILL_NAMES) {
    const { leading, better } = drillOf(name);
    expect(DRILLS[name].names).toEqual(expect.arrayContaining([leading, ...Object.keys(better)]));
    expect(better[leading]).toBeDefined();
  }
});

describe('what to practise next', () => {
  const known = (sd: number, atMs: number): Practised[] =>
    Array.from({ length: 6 }, (_, i) => ({ atMs, value: 10 + sd * (i % 2 ? 1 : -1) }));
  const all = (sdOf: (name: DrillName) => number, atMs: number) =>
    new Map(DRILL_NAMES.map((name) => [name, known(sdOf(name), atMs)] as const));

  it('the easiest that is not known yet', () => {
    expect(nextPractice(new Map(), 0)).toMatchObject({ name: DRILL_NAMES[0], why: 'unknown' });
    const attempts = all(() => 1, 0);
    attempts.set('catch', known(1, 0).slice(0, LEAST_BEFORE - 1));
    expect(nextPractice(attempts, 0)).toMatchObject({ name: 'catch', why: 'unknown' });
  });

  it('else the one that spreads most; and what was practised today rests', () => {
    const attempts = all((name) => (name === 'weave' ? 3 : name === 'trail' ? 2 : 1), 10 * DAY);
    expect(nextPractice(attempts, 10 * DAY)).toBeNull();
    expect(nextPractice(attempts, 11 * DAY)).toMatchObject({ name: 'weave', why: 'widest' });
    attempts.set('weave', [...attempts.get('weave')!, { atMs: 11 * DAY, value: 9 }]);
    expect(nextPractice(attempts, 12 * DAY)).toMatchObject({ name: 'trail' });
  });

  it('rests grow from a day to a week', () => {
    const on = (...days: number[]) => days.flatMap((day) => known(1, day * DAY));
    expect([on(3), on(1, 3), on(0, 1, 3), on(0, 1, 2, 3), on(0, 1, 2, 3, 9)].map(dueMs)).toEqual(
      [4, 5, 7, 10, 16].map((day) => day * DAY),
    );
    expect(dueMs([])).toBe(0);
  });
});
