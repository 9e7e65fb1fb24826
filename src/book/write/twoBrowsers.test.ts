import fc from 'fast-check';
import { plainRig } from '@/core/rig/rigSpec';
import type { Combination } from '@/core/settings/scope';
import { addRig } from '@/data/rigs';
import { HERE_COOKIE, hereText } from '../model/here';
import { bookView } from '../read/readBook';
import { bookInMemory } from '../testing/bookInMemory';
import { askedBy, Browser } from '../testing/browser';
import { branchOff } from './branches';
import { makeRig } from './rigs';
import { applyChange, changeCombination } from './settings';
import { onServer } from '@/data/testing/bookForTests';
import { tries } from '@/core/testing/longRun';

jest.mock('next/cache', () => ({ revalidatePath: () => undefined }));

const TERN = { rigId: 'tern', titleId: 'causeway', carId: 'marl-850', driver: 'Late shift', branch: '' };
const WREN = { rigId: 'wren', titleId: 'millstone', carId: 'dray-55', driver: 'Noon shift', branch: '' };
const book = bookInMemory(async (db) => {
  for (const id of ['tern', 'wren'])
    await addRig(db, { id, name: id, spec: plainRig({ kind: 'simulated', rig: id }) });
  for (const one of [TERN, WREN]) await askedBy(new Browser(), () => changeCombination(one));
});

const at = (combination: Combination) => new Browser([[HERE_COOKIE, hereText(combination)]]);
const shown = async (browser: Browser) => (await askedBy(browser, bookView))!;
const set = (browser: Browser, field: string, to: number) =>
  askedBy(browser, () => applyChange({ axis: 'brake', field, to, why: 'tried' }));

it('whatever two browsers do in turn, each stays where it is and sees what it set', async () => {
  const step = fc.record({ who: fc.nat(1), to: fc.integer({ min: 0, max: 20 }), opens: fc.boolean() });
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 2, maxLength: 12 }), async (steps) => {
      const browsers = [at(TERN), at(WREN)];
      const expected = [{ ...TERN }, { ...WREN }];
      for (const { who, to, opens } of steps) {
        const browser = browsers[who]!;
        if (opens) {
          const driver = to % 2 ? 'Late shift' : 'Noon shift';
          expect((await askedBy(browser, () => changeCombination({ driver }))).ok).toBe(true);
          expected[who]!.driver = driver;
        } else {
          expect((await set(browser, 'deadzone', to)).ok).toBe(true);
          expect((await shown(browser)).settings['title/brake/deadzone'] ?? 0).toBe(to);
        }
        for (const [i, one] of browsers.entries())
          expect((await shown(one)).combination).toEqual(expected[i]);
      }
    }),
    { numRuns: onServer(tries(4, 25)) },
  );
});

it('commands of two browsers at once each land where their own browser is', async () => {
  const [a, b] = [at(TERN), at(WREN)];
  const replies = await Promise.all([
    set(a, 'saturation', 7),
    set(b, 'saturation', 9),
    set(a, 'linearity', 3),
  ]);
  expect(replies.every(({ ok }) => ok)).toBe(true);
  expect((await shown(a)).settings).toMatchObject({ 'title/brake/saturation': 7 });
  expect((await shown(b)).settings).toMatchObject({ 'title/brake/saturation': 9 });
});

it('a branch or a rig that one browser makes is open in that browser alone', async () => {
  const [a, b] = [at(TERN), at(WREN)];
  await askedBy(a, () => branchOff('wet'));
  expect((await shown(a)).combination.branch).toBe('wet');
  await askedBy(a, () => makeRig({ name: 'Second', device: { kind: 'simulated', rig: 'gannet' } }));
  expect((await shown(a)).rig.name).toBe('Second');
  expect((await shown(b)).combination).toEqual(WREN);
});

it('a browser that says nothing, nonsense, or what the book does not know is where it was left last', async () => {
  await askedBy(at(TERN), () => changeCombination({ driver: 'Dawn shift' }));
  const last = { ...TERN, driver: 'Dawn shift' };
  const lost = [
    new Browser(),
    new Browser([[HERE_COOKIE, '{']]),
    new Browser([[HERE_COOKIE, JSON.stringify({ ...TERN, rigId: 7 })]]),
    at({ ...TERN, rigId: 'ghost' }),
  ];
  for (const one of lost) expect((await shown(one)).combination).toEqual(last);
  expect(book.db).toBeDefined();
});
