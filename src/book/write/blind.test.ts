import { bettingScore } from '@/core/experiment/bettingScore';
import { blindPairs } from '@/core/experiment/questions/blind';
import type { PairPlan } from '@/core/experiment/questions/pairs';
import type { Said } from '@/core/experiment/trial';
import { bookDocument } from '@/data/backup';
import { judgeBook } from '@/data/judgeBook';
import { newestExperiments, openExperiment } from '@/data/experiments';
import { experiments, sealedOrders } from '@/data/schema';
import { sha256 } from '@/data/sha256';
import { expectRoundTrip } from '@/data/testing/roundTrip';
import { contextIn } from '../read/requestContext';
import { bookView } from '../read/readBook';
import { readHelper, readSlot } from '../read/readExperiments';
import { askingBook, codeOf, HERE, isDone } from '../testing/askingBook';
import { helperLoaded, slotSaved } from './blindLoading';
import { askQuestion, bookTrial, endEarly, sayAnswer } from './experiments';

jest.mock('next/cache', () => ({ revalidatePath: () => undefined }));

const DEADZONE = 'title/brake/deadzone';

const { book, asked, shown } = askingBook();

const pairPlan = (more: Partial<PairPlan> = {}): PairPlan => ({
  question: 'change',
  way: 'title',
  a: { [DEADZONE]: 0 },
  b: { [DEADZONE]: 4 },
  pairs: 2,
  lapsPerRide: 2,
  named: 'lapTimeS',
  dimension: null,
  ...more,
});

describe('a blind test with a helper', () => {
  const loadBoth = async (id: string, place: number) => {
    await isDone(helperLoaded({ id, place, what: 'neutral' }));
    await isDone(helperLoaded({ id, place, what: 'ride' }));
  };
  const say = (answer: 'first' | 'second'): Said => ({ kind: 'pair', answer, sure: 'sure', noticed: false });

  /** Somebody who always feels which is B: the test knows the orders, the program does not tell them. */
  async function goThrough(id: string, orders: readonly string[]) {
    for (let pair = 0; ; pair++) {
      for (const place of [2 * pair, 2 * pair + 1]) {
        if ((await newestExperiments(book.db, HERE, 1))[0]!.state !== 'open') return pair;
        await loadBoth(id, place);
        await isDone(bookTrial({ id, place, outcome: 'ridden' }));
      }
      await isDone(sayAnswer({ id, place: pair, said: say(orders[pair] === 'BA' ? 'first' : 'second') }));
    }
  }

  it('tells nothing of its order before the last answer, and then everything, as promised', async () => {
    const { id, sealed, plan } = await asked(
      pairPlan({ question: 'discriminate', way: 'helper', pairs: 16, named: null }),
    );
    const { orders, salt } = sealed!;
    expect(plan).toMatchObject({
      orders: null,
      salt: null,
      commitment: sha256(`${orders.join(',')}:${salt}`),
    });
    const seenOutside = async () =>
      JSON.stringify([await bookDocument(book.db, 1), await shown(id), await bookView()]);
    const before = await seenOutside();
    expect(before).not.toContain(salt);
    // With all its orders the other way round it looks the same from outside, to the letter.
    const turned = orders.map((order) => (order === 'AB' ? 'BA' : 'AB'));
    await book.db.update(sealedOrders).set({ orders: turned });
    expect(await seenOutside()).toBe(before);
    await book.db.update(sealedOrders).set({ orders });
    expect(await shown(id)).toMatchObject({ step: { values: null, side: null, of: null }, answer: null });
    const pairs = await goThrough(id, orders);
    expect(pairs).toBe(
      bettingScore('which', Array(16).fill({ order: 'AB', answer: 'second', sure: 'sure' })).verdict ===
        'shown'
        ? 5
        : 0,
    );
    const view = await shown(id);
    expect(view).toMatchObject({
      state: 'over',
      salt,
      answer: {
        kind: 'blind',
        orders,
        commitmentHolds: true,
        score: { verdict: 'shown', right: 5, wrong: 0 },
      },
    });
    expect(await book.db.$count(sealedOrders)).toBe(0);
    expect(blindPairs({ orders, answers: view.answers })).toHaveLength(5);
    await expectRoundTrip(book.book);
  });

  it('alone with files: each ride’s file comes under a name that says nothing, and nobody drives before it was saved', async () => {
    const here = async () => (await contextIn(book.db, HERE))!;
    const plan = pairPlan({ question: 'like', way: 'files', pairs: 16, named: null });
    const file = (name: string, text: string) => ({ name, base64: Buffer.from(text).toString('base64') });
    const files = { a: file('Soft.ini', 'deadzone=0'), b: file('hard.ini', 'deadzone = 4 ; hard') };
    expect(codeOf(await askQuestion(plan))).toBe('no-files');
    expect(codeOf(await askQuestion(plan, { ...files, b: file('hard.xml', 'x') }))).toBe('slot-other-kind');
    await isDone(askQuestion(plan, files));
    const { id } = (await openExperiment(book.db, HERE))!;
    expect(await readHelper(await here(), (await bookView())!, id)).toBeNull();
    expect(codeOf(await bookTrial({ id, place: 0, outcome: 'ridden' }))).toBe('not-loaded');
    expect(codeOf(await helperLoaded({ id, place: 0, what: 'neutral' }))).toBe('nothing-to-load');
    expect(await readSlot(await here(), id, 1)).toBeNull();
    const sizes = new Set<number>();
    const driven: string[] = [];
    for (const place of [0, 1]) {
      const { name, base64 } = (await readSlot(await here(), id, place))!;
      const text = Buffer.from(base64, 'base64').toString();
      expect(name).toBe(`ride-${place + 1}.ini`);
      sizes.add(text.length);
      driven.push(text.trim());
      await isDone(slotSaved({ id, place }));
      await isDone(bookTrial({ id, place, outcome: 'ridden' }));
    }
    expect(sizes.size).toBe(1);
    expect(driven.toSorted()).toEqual(['deadzone = 4 ; hard', 'deadzone=0']);
    // What a page shows before the end knows neither the order nor the files.
    expect(JSON.stringify(await shown(id))).not.toMatch(/hard|\.ini|"AB"|"BA"/);
    await isDone(endEarly(id));
    expect(await readSlot(await here(), id, 2)).toBeNull();
    const order = (await newestExperiments(book.db, HERE, 1))[0]!.plan.orders![0];
    expect(driven[0]!.includes('hard') ? 'BA' : 'AB').toBe(order);
  });

  it('the helper loads the neutral values first, every time, and nobody drives before', async () => {
    const { id, sealed } = await asked(pairPlan({ question: 'like', way: 'helper', pairs: 16, named: null }));
    const here = (await contextIn(book.db, HERE))!;
    const helper = async () => (await readHelper(here, (await bookView())!, id))!.step!;
    const value = sealed!.orders[0] === 'AB' ? '0' : '4';
    expect(await helper()).toEqual({
      place: 0,
      said: null,
      // Neither A (0, which is neutral) nor B: that one would be heard to change nothing.
      values: [{ name: 'Brake ebb', neutral: '95', value }],
      cautions: [],
    });
    expect(codeOf(await bookTrial({ id, place: 0, outcome: 'ridden' }))).toBe('not-loaded');
    expect(codeOf(await helperLoaded({ id, place: 0, what: 'ride' }))).toBe('neutral-first');
    await isDone(helperLoaded({ id, place: 0, what: 'neutral' }));
    expect(codeOf(await bookTrial({ id, place: 0, outcome: 'ridden' }))).toBe('not-loaded');
    expect(codeOf(await helperLoaded({ id, place: 1, what: 'neutral' }))).toBe('nothing-to-load');
    await isDone(helperLoaded({ id, place: 0, what: 'ride' }));
    await isDone(bookTrial({ id, place: 0, outcome: 'ridden' }));
    // What was loaded for one ride is not loaded for the next.
    expect(codeOf(await bookTrial({ id, place: 1, outcome: 'ridden' }))).toBe('not-loaded');
    await loadBoth(id, 1);
    await isDone(bookTrial({ id, place: 1, outcome: 'ridden' }));
    expect((await readHelper(here, (await bookView())!, id))!.step).toBeNull();
    await isDone(
      sayAnswer({ id, place: 0, said: { kind: 'pair', answer: 'none', sure: null, noticed: true } }),
    );
    await endEarly(id);
    expect(await shown(id)).toMatchObject({
      state: 'given up',
      answer: { kind: 'blind', score: { none: 1, score: 1 } },
    });
    expect(await readHelper(here, (await bookView())!, id)).toBeNull();
  });

  it('in a restored book, where nobody knows its orders, it is given up', async () => {
    const { id } = await asked(pairPlan({ question: 'discriminate', way: 'helper', pairs: 16, named: null }));
    const document = await bookDocument(book.db, Date.now());
    expect(judgeBook(document, Date.now())).toEqual([]);
    await book.db.delete(sealedOrders);
    expect(await openExperiment(book.db, HERE)).toBeNull();
    expect(await shown(id)).toMatchObject({ state: 'given up', answer: { orders: [] } });
    await isDone(askQuestion(pairPlan()));
    await book.db.delete(experiments);
  });
});
