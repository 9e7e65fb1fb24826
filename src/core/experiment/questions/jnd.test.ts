import fc from 'fast-check';
import { seededRandom } from '../../numeric/random';
import { randomizedOrders, seededCoin } from '../randomizedOrders';
import { nextStep, pairedSides, planSchema, sidesOfPlan } from '../questions';
import type { Course } from '../questions/question';
import { jndStaircase, jndFrom, offeredApart, sidesApart, type JndPlan } from '../questions/jnd';
import { JND_PER_SIGMA } from '../finder/answers';
import { MOST_NOTICED } from '../justNoticeable';
import type { Said } from '../trial';
import { tries } from '../../testing/longRun';

const KEY = 'title/brake/deadzone';
const planAt = (at: number, max = 60): JndPlan => ({
  ...{ question: 'jnd', way: 'here', at, lapsPerRide: 1, stretch: 'bend' },
  setting: { key: KEY, min: 0, max, step: 1 },
});

const courseFrom = (seed: number): Course => ({
  orders: randomizedOrders(MOST_NOTICED, seededCoin(seed)),
  trials: [],
  answers: [],
});

/** Drives what is asked for until it is over, and names the ride that felt like more. @param jnd in the title's scale */
function driven(plan: JndPlan, course: Course, jnd: number, seed: number): Course {
  const random = seededRandom(seed);
  const felt: number[] = [];
  let now = course;
  for (;;) {
    const step = nextStep(plan, now);
    if (step.kind === 'over') return now;
    const atMs = 1000 * (now.trials.length + now.answers.length);
    if (step.kind === 'ride') {
      felt.push((step.values[KEY] as number) + (jnd / JND_PER_SIGMA) * random.normal());
      const trial = { place: step.place, atMs, outcome: 'ridden' as const, rideId: null };
      now = { ...now, trials: [...now.trials, { ...trial, values: null, software: '' }] };
    } else {
      const [first, second] = felt.slice(-2) as [number, number];
      const apart = Math.abs(
        (pairedSides(plan, now)!.b[KEY] as number) - (pairedSides(plan, now)!.a[KEY] as number),
      );
      const answer = first > second ? 'first' : 'second';
      const said: Said = { kind: 'pair', answer, sure: null, noticed: false, apart };
      now = { ...now, answers: [...now.answers, { place: step.place, atMs, said }] };
    }
  }
}

it('ends by itself, and what a driver just notices lies in its interval nine times in ten', () => {
  const drivers = tries(8, 40);
  const random = seededRandom(8);
  const counts: number[] = [];
  let covered = 0;
  for (let i = 0; i < drivers; i++) {
    const jnd = 6 * Math.exp(0.5 * random.normal());
    const plan = planAt(i % 2 === 0 ? 4 : 55);
    const { orders, answers } = driven(plan, courseFrom(i), jnd, 100 + i);
    const told = jndFrom(plan, orders, answers);
    expect(told.next).toBeNull();
    counts.push(answers.length);
    if (told.low <= jnd && jnd <= told.high) covered++;
  }
  expect(covered / drivers).toBeGreaterThan(0.9 - 2 * Math.sqrt((0.9 * 0.1) / drivers));
  const median = counts.toSorted((a, b) => a - b)[drivers >> 1]!;
  expect([median > 20, median < 50]).toEqual([true, true]);
});

it('both rides of a pair are values of the menu, one of them what is set, the other towards the farther end', () => {
  fc.assert(
    fc.property(fc.nat(60), fc.nat(200), (at, pick) => {
      const plan = planAt(at);
      const offered = offeredApart(plan);
      expect(offered[0]).toBe(1);
      expect(offered.at(-1)).toBeGreaterThan(Math.max(at, 60 - at) / 1.2);
      const { a, b } = sidesApart(plan, offered[pick % offered.length]!);
      const other = b[KEY] as number;
      expect(a[KEY]).toBe(at);
      expect([other >= 0, other <= 60, Number.isInteger(other), other > at]).toEqual([
        true,
        true,
        true,
        60 - at >= at,
      ]);
      expect(planSchema.parse(plan)).toEqual(plan);
      expect(sidesOfPlan(plan)).toContainEqual(a);
    }),
  );
});

it('which was named does not depend on the order, and what was noticed otherwise or not said is left out', () => {
  const said = (place: number, more: Partial<Said & { kind: 'pair' }>) => ({
    place,
    atMs: place,
    said: { kind: 'pair', answer: 'first', sure: null, noticed: false, apart: 5, ...more } as Said,
  });
  const up = planAt(10);
  // The ride of B has more where B lies above what is set, else that of A.
  expect(jndStaircase(up, ['AB', 'BA'], [said(1, {}), said(0, {})])).toEqual([
    { place: 0, apart: 5, isRight: false },
    { place: 1, apart: 5, isRight: true },
  ]);
  expect(jndStaircase(planAt(50), ['AB', 'BA'], [said(0, {}), said(1, {})]).map((p) => p.isRight)).toEqual([
    true,
    false,
  ]);
  expect(
    jndStaircase(
      up,
      ['AB', 'AB', 'AB'],
      [said(0, { answer: 'none', noticed: true }), said(1, { noticed: true }), said(2, { answer: 'none' })],
    ),
  ).toEqual([]);
});

it('is asked at a value of the menu, in short rides that are driven here', () => {
  for (const wrong of [
    planAt(61),
    planAt(-1),
    { ...planAt(4), way: 'helper' },
    { ...planAt(4), stretch: null },
  ])
    expect(planSchema.safeParse(wrong).success).toBe(false);
});
