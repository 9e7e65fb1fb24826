import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pebble } from '@/cli/testing/pebble';
import { openSide, SEALED_BYTES } from '@/core/experiment/sealedSide';
import { planSchema, type ExperimentPlan } from '@/core/experiment/questions';
import type { PairPlan } from '@/core/experiment/questions/pairs';
import type { Said } from '@/core/experiment/trial';
import type { RideLog } from '@/core/rides/rideLog';
import { bookDocument } from '@/data/backup';
import { newestExperiments } from '@/data/experiments';
import { addRide } from '@/data/rides';
import { sealedOrders } from '@/data/schema';
import { expectRoundTrip } from '@/data/testing/roundTrip';
import { checkFile } from '../judge/checkFile';
import { isFeltHere } from '../judge/livePlan';
import { canBeDrivenHere, drivenHere } from '../judge/seatQuestion';
import { feltSettings, paddleChoices, pulled, underPaddles, underText } from '../judge/underPaddles';
import { askedHere, readExperiment, recentIn } from '../read/readExperiments';
import { askingBook, codeOf, HERE, isDone } from '../testing/askingBook';
import { loadHere, slotSaved } from './blindLoading';
import { askQuestion, bookTrial, decide, endEarly, sayAnswer } from './experiments';
import { applyChange } from './settings';

jest.mock('next/cache', () => ({ revalidatePath: () => undefined }));

const DEADZONE = 'title/throttle/deadzone';

const { book, here, view, asked } = askingBook();

const plan = (more: Partial<PairPlan> = {}): PairPlan => ({
  question: 'discriminate',
  way: 'here',
  a: { [DEADZONE]: 0 },
  b: { [DEADZONE]: 12 },
  pairs: 16,
  lapsPerRide: 1,
  named: null,
  dimension: null,
  stretch: 'straight',
  ...more,
});

const sealedIn = async (id: string, place: number) => {
  const reply = await loadHere({ id, place });
  return reply.ok ? (reply.sealed ?? null) : codeOf(reply);
};

it('alone: the program loads what was drawn, and nothing that is seen outside tells which', async () => {
  const { id, sealed } = await asked(plan());
  const { orders, salt } = sealed!;
  const seenOutside = async () =>
    JSON.stringify([
      await bookDocument(book.db, 1),
      await readExperiment(await here(), await view(), id),
      await askedHere(await here(), await view()),
      await view(),
    ]);
  expect(codeOf(await bookTrial({ id, place: 0, outcome: 'ridden' }))).toBe('not-loaded');
  const before = await seenOutside();
  expect(before).not.toContain(salt);
  // With all its orders the other way round it looks the same, to the letter.
  await book.db.update(sealedOrders).set({ orders: orders.map((order) => (order === 'AB' ? 'BA' : 'AB')) });
  expect(await seenOutside()).toBe(before);
  await book.db.update(sealedOrders).set({ orders });

  for (let pair = 0; pair < 5; pair++) {
    for (const k of [0, 1]) {
      const place = 2 * pair + k;
      // What comes over the line has one form, and is another one every time, also of the same ride.
      const seals = await Promise.all([sealedIn(id, place), sealedIn(id, place), sealedIn(id, place)]);
      expect(new Set(seals).size).toBe(3);
      for (const seal of seals) {
        expect(seal).toMatch(new RegExp(`^[0-9a-f]{${2 * SEALED_BYTES}}$`));
        expect(openSide(seal!)).toBe(orders[pair]![k]);
      }
      expect(await seenOutside()).not.toContain(seals[0]!);
      await isDone(bookTrial({ id, place, outcome: 'ridden' }));
    }
    const said: Said = {
      ...{ kind: 'pair', sure: 'sure', noticed: false },
      answer: orders[pair] === 'BA' ? 'first' : 'second',
    };
    expect(await sealedIn(id, 2 * pair + 1)).toBe('nothing-to-load');
    await isDone(sayAnswer({ id, place: pair, said }));
  }
  expect(await readExperiment(await here(), await view(), id)).toMatchObject({
    state: 'over',
    salt,
    answer: { kind: 'blind', orders, commitmentHolds: true, score: { verdict: 'shown' } },
  });
  expect(await askedHere(await here(), await view())).toBeNull();
  await expectRoundTrip(book.book);
});

it('only what is driven here is loaded here, and only the ride that comes next', async () => {
  const helped = await asked(plan({ way: 'helper', stretch: null }));
  expect(await sealedIn(helped.id, 0)).toBe('nothing-to-load');
  await isDone(endEarly(helped.id));
  const { id } = await asked(plan({ question: 'like' }));
  expect(await sealedIn(id, 1)).toBe('nothing-to-load');
  expect(codeOf(await slotSaved({ id, place: 0 }))).toBe('nothing-to-load');
  await sealedIn(id, 0);
  // What went wrong is loaded and driven again.
  await isDone(bookTrial({ id, place: 0, outcome: 'crash' }));
  expect(await sealedIn(id, 0)).toHaveLength(2 * SEALED_BYTES);
  await isDone(bookTrial({ id, place: 0, outcome: 'ridden' }));
  // A short ride is asked about blind, and driven here.
  await isDone(endEarly(id));
  expect(codeOf(await askQuestion(plan({ question: 'change' })))).not.toBe('done');
  expect(codeOf(await askQuestion(plan({ way: 'helper' })))).not.toBe('done');
});

it('laps that are compared are told what they are, and only counted as what was asked for', async () => {
  const { id, plan: stored } = await asked(
    plan({ question: 'change', stretch: null, pairs: 1, named: 'lapTimeS' }),
  );
  expect(await sealedIn(id, 0)).toBeNull();
  const t_s = Float64Array.from({ length: 300 }, (_, i) => i / 10);
  const log: RideLog = {
    columns: { t_s, distance_m: t_s.map((t) => 10 * t), lap: t_s.map(() => 1) },
    notes: {},
  };
  const value = stored.orders![0] === 'AB' ? 0 : 12;
  for (const [rideId, settings] of [
    ['other', { [DEADZONE]: 12 - value }],
    ['asked', { [DEADZONE]: value }],
  ] as const)
    await addRide(book.db, { id: rideId, ...HERE, trackId: 'saltmarsh-loop', seed: 1, settings, log });
  expect(codeOf(await bookTrial({ id, place: 0, outcome: 'ridden', rideId: 'other' }))).toBe('other-ride');
  await isDone(bookTrial({ id, place: 0, outcome: 'ridden', rideId: 'asked' }));
  expect((await newestExperiments(book.db, HERE, 1))[0]!.trials).toMatchObject([{ rideId: 'asked' }]);
});

describe('how little is noticed', () => {
  const whole = { key: DEADZONE, min: 0, max: 60, step: 1 };
  const finely: ExperimentPlan = {
    ...{ question: 'jnd', way: 'here', setting: whole, at: 4, lapsPerRide: 1, stretch: 'straight' },
  };

  /** Drives a pair and names one of its rides; gives how far apart they were. */
  async function pairOf(id: string, pair: number, named: 'right' | 'wrong', said: Partial<Said> = {}) {
    const step = async () => (await readExperiment(await here(), await view(), id))!.step;
    const sides: ('A' | 'B')[] = [];
    let apart = 0;
    for (const place of [2 * pair, 2 * pair + 1]) {
      const before = await step();
      // Both values are at hand; which of them is driven stands nowhere.
      expect(before).toMatchObject({
        kind: 'ride',
        place,
        values: null,
        side: null,
        pair: { a: { [DEADZONE]: 4 } },
      });
      apart = before.kind === 'ride' ? (before.pair!.b[DEADZONE] as number) - 4 : 0;
      sides.push(openSide((await sealedIn(id, place))!)!);
      await isDone(bookTrial({ id, place, outcome: 'ridden' }));
    }
    expect(sides.toSorted()).toEqual(['A', 'B']);
    const isFirst = (sides[0] === 'B') === (named === 'right');
    const answer = {
      kind: 'pair',
      sure: null,
      noticed: false,
      answer: isFirst ? 'first' : 'second',
    } as const;
    await isDone(sayAnswer({ id, place: pair, said: { ...answer, ...said } as Said }));
    return apart;
  }

  it('pairs come closer as they are named right, and what came of them is told when it ends', async () => {
    const { id, sealed } = await asked(finely);
    const apart: number[] = [];
    for (let pair = 0; pair < 5; pair++) apart.push(await pairOf(id, pair, 'right'));
    expect(apart.at(-1)).toBeLessThan(apart[0]!);
    apart.push(await pairOf(id, 5, 'wrong'));
    expect(await pairOf(id, 6, 'right')).toBeGreaterThan(apart.at(-1)!);
    // Whoever is torn from it after some pairs is told what they say, with more left open.
    await isDone(endEarly(id));
    const { state, answer } = (await readExperiment(await here(), await view(), id))!;
    expect(state).toBe('over');
    if (answer?.kind !== 'jnd') throw new Error('no answer');
    expect(answer.isKnown).toBe(false);
    expect(answer.pairs.slice(0, 6).map((one) => one.apart)).toEqual(apart);
    expect(answer.pairs.map(({ isRight }) => isRight)).toEqual([true, true, true, true, true, false, true]);
    expect(answer.orders).toEqual(sealed!.orders);
    expect(answer.commitmentHolds).toBe(true);
    expect(answer.told.low).toBeLessThan(answer.told.high);
    expect(codeOf(await decide(id, 'kept', 'because'))).toBe('nothing-to-keep');
    // The file by which it can be checked says the same on the command line.
    const file = checkFile((await readExperiment(await here(), await view(), id))!)!;
    const path = join(mkdtempSync(join(tmpdir(), 'notice-')), file.name);
    writeFileSync(path, file.text);
    const said = pebble('notice', path, '--json').json();
    expect(said).toMatchObject({ ...answer.told, pairs: 7, right: 6, commitmentHolds: true });
    expect(Number(said['next'])).toBeGreaterThan(0);
    // From now on a change that would hardly be noticed is said to be one; other blind pairs of it count as well.
    const known = (await view()).known![DEADZONE]!;
    expect(known.from).toBe('pairs');
    expect([known.value > answer.told.low, known.value < answer.told.high]).toEqual([true, true]);
    await expectRoundTrip(book.book);
  });

  it('one of the two has to be named, and how far apart they were is not believed of a page', async () => {
    const { id } = await asked(finely);
    for (const place of [0, 1]) {
      await sealedIn(id, place);
      await isDone(bookTrial({ id, place, outcome: 'ridden' }));
    }
    const said: Said = { kind: 'pair', answer: 'none', sure: null, noticed: false };
    expect(codeOf(await sayAnswer({ id, place: 0, said }))).toBe('name-one');
    await isDone(sayAnswer({ id, place: 0, said: { ...said, noticed: true } }));
    const apart = await pairOf(id, 1, 'right', { apart: 0.001 } as Partial<Said>);
    const [row] = await newestExperiments(book.db, HERE, 1);
    expect(row!.answers.map((one) => one.said)).toMatchObject([{ noticed: true }, { apart }]);
    // Broken off after so few it says nothing.
    await isDone(endEarly(id));
    expect(await readExperiment(await here(), await view(), id)).toMatchObject({ state: 'given up' });
  });
});

const range = { key: DEADZONE, min: 0, max: 20, step: 1 };
const short = { way: 'here', lapsPerRide: 1, stretch: 'straight' } as const;

it('a search leads from ride to ride here as well: loaded openly, driven, and asked how it felt', async () => {
  const { id } = await asked({ question: 'best', settings: [range], seed: 5, ...short });
  const ends: number[] = [];
  for (let place = 0; place < 4; place++) {
    // Who sees what is loaded needs no seal.
    expect(await sealedIn(id, place)).toBeNull();
    await isDone(bookTrial({ id, place, outcome: 'ridden' }));
    const [row] = await newestExperiments(book.db, HERE, 1);
    const value = row!.trials.find((trial) => trial.place === place)!.values![DEADZONE]!;
    ends.push(value);
    await isDone(
      sayAnswer({
        id,
        place,
        said: {
          kind: 'feel',
          better: place === 0 ? null : 'this',
          wants: { [DEADZONE]: value < 6 ? 'more' : 'less' },
        },
      }),
    );
  }
  for (const value of ends)
    expect([value >= 0, value <= 20, Number.isInteger(value)]).toEqual([true, true, true]);
  expect(new Set(ends).size).toBeGreaterThan(2);
  await isDone(endEarly(id));
});

it('what a setting does is felt here at both of its ends, and back', async () => {
  const { id } = await asked({ question: 'explore', setting: range, back: 4, ...short });
  const wants = ['more', 'less', 'right'] as const;
  for (const [place, said] of wants.entries()) {
    expect(await askedHere(await here(), await view())).toMatchObject({
      step: { kind: 'ride', values: { [DEADZONE]: [0, 20, 4][place] } },
    });
    await isDone(bookTrial({ id, place, outcome: 'ridden' }));
    await isDone(
      sayAnswer({
        id,
        place,
        said: { kind: 'feel', better: place === 0 ? null : 'this', wants: { [DEADZONE]: said } },
      }),
    );
  }
  expect(await readExperiment(await here(), await view(), id)).toMatchObject({
    state: 'over',
    answer: { kind: 'explore', rides: wants.map((want) => ({ wants: want, summary: null })) },
  });
});

it('offers to be driven here what is felt here, as a plan that can be asked', async () => {
  const open = await view();
  const titled = { way: 'title', lapsPerRide: 3 } as const;
  const force = { ...range, key: 'title/force/gain', min: 10, max: 90 };
  const plans: [ExperimentPlan, boolean][] = [
    [{ question: 'best', settings: [range], seed: 5, ...titled }, true],
    [{ question: 'best', settings: [range, force], seed: 5, ...titled }, false],
    [{ question: 'explore', setting: range, back: 4, ...titled }, true],
    [{ question: 'explore', setting: range, back: 4, lapsPerRide: 1, way: 'simulated' }, false],
    [plan({ way: 'helper', stretch: null }), true],
    [plan({ question: 'change', way: 'title', stretch: null }), false],
  ];
  for (const [one, can] of plans) {
    expect(canBeDrivenHere(open, one)).toBe(can);
    if (can) expect(planSchema.parse(drivenHere(one))).toMatchObject({ ...short, question: one.question });
  }
  // Some seconds of road are driven here and nowhere else.
  expect(planSchema.safeParse({ ...plans[0]![0], stretch: 'bend' }).success).toBe(false);
  expect(planSchema.safeParse({ ...plans[2]![0], stretch: 'bend' }).success).toBe(false);
});

describe('the paddles change what is felt here', () => {
  it('the pedals and the wheel’s angle; the wheel gets no force from here', async () => {
    const open = await view();
    const felt = feltSettings(open).map(({ key }) => key);
    expect(felt).toContain(DEADZONE);
    expect(felt.some((key) => key.startsWith('title/force/'))).toBe(false);
    expect(isFeltHere(open, { [DEADZONE]: 0 }, { [DEADZONE]: 0 })).toBe(false);
  });

  it('a step up or down as far as the menu goes, or between two values', async () => {
    const under = underPaddles(await view(), DEADZONE, undefined)!;
    const { field } = under.setting;
    expect(pulled(under, 3 * field.step, 1)).toBe(4 * field.step);
    expect(pulled(under, field.max, 1)).toBe(field.max);
    expect(pulled(under, field.min, -1)).toBe(field.min);
    const both = underPaddles(await view(), DEADZONE, '2~9')!;
    expect([pulled(both, 5, 1), pulled(both, 5, -1)]).toEqual([9, 2]);
    for (const wrong of ['2', '2~2', '2~999', 'x~3', '1~2~3'])
      expect(underPaddles(await view(), DEADZONE, wrong)!.between).toBeNull();
    expect(underPaddles(await view(), 'title/force/nothing', undefined)).toBeNull();
    expect(underPaddles(await view(), undefined, undefined)).toBeNull();
  });

  it('what was changed last is offered first, between both of its values', async () => {
    await isDone(applyChange({ axis: 'throttle', field: 'deadzone', to: 8, why: 'tried' }));
    const open = await view();
    const [first] = paddleChoices(open, await recentIn(await here(), open));
    expect(first).toMatchObject({ setting: { key: DEADZONE }, between: [0, 8] });
    const address = new URLSearchParams(underText(first!));
    expect(underPaddles(open, address.get('under')!, address.get('between')!)).toEqual(first);
    await isDone(applyChange({ axis: 'throttle', field: 'deadzone', to: null, why: 'back' }));
  });
});
