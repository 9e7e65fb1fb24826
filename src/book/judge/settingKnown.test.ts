import { menusFor } from '@/catalog/menusFor';
import { carById, simulatedRigById, titleById } from '@/catalog/find';
import type { FinderAnswer } from '@/core/experiment/finder/findBest';
import type { ExperimentPlan, ExperimentAnswer } from '@/core/experiment/questions';
import type { PairPlan } from '@/core/experiment/questions/pairs';
import type { Answer } from '@/core/experiment/trial';
import type { ExperimentView } from '../model/experimentView';
import { hardlyNoticed, knownSentence, noticedOf, settingKnown } from './settingKnown';

const view = { menus: menusFor(simulatedRigById('tern').spec, titleById('causeway'), carById('marl-850')) };
const KEY = 'title/brake/deadzone';
const SETTING = { key: KEY, min: 0, max: 60, step: 1 };

let asked = 0;
const question = (
  plan: ExperimentPlan,
  answer: ExperimentAnswer | null,
  more: Partial<ExperimentView> = {},
): ExperimentView => ({
  ...{ id: `q${++asked}`, atMs: asked, question: plan.question, asked: plan, trackId: 'saltmarsh-loop' },
  ...{ state: 'over', decision: null, step: { kind: 'over' }, ridden: 4, lost: 0 },
  ...{
    commitment: null,
    salt: null,
    answers: [],
    unrated: null,
    rated: [],
    softwareChanged: [],
    elsewhere: [],
  },
  answer,
  ...more,
});

const pairs = (of: PairPlan['question'], a: number | null, b: number): PairPlan => ({
  ...{ question: of, way: 'helper', a: { [KEY]: a }, b: { [KEY]: b } },
  ...{ pairs: 16, lapsPerRide: 2, named: null, dimension: null },
});

function search(state: FinderAnswer['state'], value: number) {
  const found: FinderAnswer = {
    ...{ state, next: null, evidence: 5, isCheck: false, apart: {}, jnd: { [KEY]: 4 } },
    best: { [KEY]: { value, low: value - 5, high: value + 5 } },
  };
  const rides = [10, 30].map((tried) => ({
    values: { [KEY]: tried },
    better: null,
    wants: { [KEY]: tried < value ? ('more' as const) : ('less' as const) },
  }));
  const plan: ExperimentPlan = {
    question: 'best',
    way: 'title',
    settings: [SETTING],
    seed: 1,
    lapsPerRide: 1,
  };
  return question(plan, { kind: 'best', found, rides });
}

function blind(right: boolean[], verdict: 'shown' | 'not shown', a: number | null = 0, b = 6) {
  const answers = right.map((isRight, place): Answer => ({
    place,
    atMs: 1,
    said: { kind: 'pair', answer: isRight ? 'second' : 'first', sure: null, noticed: false },
  }));
  const score = { pairs: right.length, right: 1, wrong: 1, none: 0, score: 1, highest: 1, prefers: null };
  return question(
    pairs('discriminate', a, b),
    {
      kind: 'blind',
      score: { ...score, verdict },
      orders: right.map(() => 'AB' as const),
      commitmentHolds: true,
    },
    { answers },
  );
}

it('all questions of a setting stand in one picture, the oldest first, each with what it says', () => {
  const known = settingKnown(view, KEY, [
    question(pairs('change', 0, 4), null, { state: 'open' }),
    search('found', 20),
    blind([true, true, false], 'shown', null),
    question(pairs('like', 0, 4), null, { state: 'given up' }),
  ]);
  expect(known.rows.map(({ question: of }) => of)).toEqual(['like', 'discriminate', 'best']);
  expect(known.rows[0]!.pair).toEqual({ a: 0, b: 4, isShown: null });
  // As made is the neutral value.
  expect(known.rows[1]).toMatchObject({
    pair: { a: 0, b: 6, isShown: true },
    tried: [{ value: 0 }, { value: 6 }],
  });
  expect(known.rows[2]!.tried).toEqual([
    { value: 10, wants: 'more' },
    { value: 30, wants: 'less' },
  ]);
  expect(known.best).toEqual({ value: 20, low: 15, high: 25 });
  expect(knownSentence(view, known)).toBe('Brake ebb: your best lies between 15 and 25');
});

it('the newest search that ended is believed, also where the answers did not follow the setting', () => {
  const newest = settingKnown(view, KEY, [search('searching', 50), search('found', 40), search('found', 20)]);
  expect(newest.best!.value).toBe(40);
  const none = settingKnown(view, KEY, [search('no preference', 40), search('found', 20)]);
  expect(none).toMatchObject({ best: null, isIndifferent: true });
  expect(knownSentence(view, none)).toBe('Brake ebb: your answers don’t follow it');
});

it('what was shown is counted of what was compared to its end', () => {
  const of = (all: ExperimentView[]) => knownSentence(view, settingKnown(view, KEY, all));
  expect(of([])).toBe('Brake ebb: nothing was asked of it yet');
  expect(of([question(pairs('like', 0, 4), null, { state: 'given up' })])).toContain(
    'nothing was compared to its end',
  );
  expect(of([blind([true], 'shown')])).toBe('Brake ebb: the one comparison showed a difference');
  expect(of([blind([true], 'shown'), blind([true], 'not shown'), blind([true], 'not shown')])).toContain(
    '1 of 3',
  );
});

it('what is just noticed comes from pairs of this setting alone, or from a search that found something', () => {
  expect(noticedOf(view, KEY, [search('no preference', 20)])).toBeNull();
  expect(noticedOf(view, KEY, [search('found', 20)])).toMatchObject({ value: 4, from: 'search' });
  const guesses = blind([true, false, true, false, true, false, true, false], 'not shown');
  const told = noticedOf(view, KEY, [guesses])!;
  expect(told.from).toBe('pairs');
  expect(told.high).toBeGreaterThan(6);
  const both = { ...(guesses.asked as PairPlan), a: { [KEY]: 0, 'title/brake/saturation': 4 } };
  expect(noticedOf(view, KEY, [{ ...guesses, asked: both }])).toBeNull();
  expect(noticedOf(view, 'title/brake/nothing', [guesses])).toBeNull();
});

it('a change that would hardly be noticed is said to be one, and no other', () => {
  const known = { [KEY]: { value: 4, low: 2, high: 8, from: 'search' as const } };
  expect(hardlyNoticed({ ...view, known }, KEY, 10, 11)).toBe(
    'By your own answers you hardly notice less than 2.0 here.',
  );
  expect(hardlyNoticed({ ...view, known }, KEY, 10, 12)).toBeNull();
  expect(hardlyNoticed({ ...view, known }, KEY, 10, 10)).toBeNull();
  expect(hardlyNoticed(view, KEY, 10, 11)).toBeNull();
});
