import fc from 'fast-check';
import { carById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { responseLayers } from '@/core/settings/menus';
import { plainRig } from '@/core/rig/rigSpec';
import { keyText, type SettingKey, type SettingValues } from '@/core/settings/setting';
import { effectiveSettings, valuesOf } from '@/core/settings/trail';
import { listChanges } from '@/data/changes';
import type { Combination } from '@/core/settings/scope';
import { lastOpened, listCombinations } from '@/data/combination';
import { listTitles } from '@/data/ownTitles';
import { addRig, listRigs } from '@/data/rigs';
import { branchOff, restoreMoment } from './branches';
import type { Reply } from './reply';
import { applyChange, applyChanges, changeCombination, putBack } from './settings';
import { bookInMemory } from '../testing/bookInMemory';
import { tries } from '@/core/testing/longRun';

jest.mock('next/cache', () => ({ revalidatePath: () => undefined }));

let rigs = 0;
let rigId: string;

const book = bookInMemory();
/** Every test has a rig of its own; rigs do not share a trail. */
beforeEach(async () => {
  rigId = `rig-${++rigs}`;
  await addRig(book.db, { id: rigId, name: 'Gannet', spec: plainRig({ kind: 'simulated', rig: 'gannet' }) });
  await changeCombination({ rigId, titleId: 'causeway', carId: 'spindrift-h4', driver: 'Late shift' });
});

const opened = async () => (await lastOpened(book.db))!;
const events = () => listChanges(book.db, rigId);
const inForce = async (where?: Combination): Promise<SettingValues> =>
  valuesOf(effectiveSettings(await events(), where ?? (await opened())));
const codes = (reply: Reply) => (reply.ok ? [] : reply.problems.map(({ code }) => code));

const DEADZONE = { axis: 'brake', field: 'deadzone', why: 'drags' } as const;
const of = (layer: SettingKey['layer'], { axis, field } = DEADZONE as Pick<SettingKey, 'axis' | 'field'>) =>
  keyText({ layer, axis, field });

it('several changes are booked together or not at all', async () => {
  const reply = await applyChanges([
    { ...DEADZONE, to: 4 },
    { ...DEADZONE, axis: 'throttle', to: 4711 },
  ]);
  expect(codes(reply)).toEqual(['out-of-range']);
  expect(await events()).toEqual([]);
  expect(
    await applyChanges([
      { ...DEADZONE, to: 4 },
      { ...DEADZONE, to: 4 },
    ]),
  ).toEqual({ ok: true });
  // What is so already is no change.
  expect(await events()).toHaveLength(1);
});

it('what is no setting, no car of the title or nobody’s menu is refused in words', async () => {
  expect(codes(await applyChange({ ...DEADZONE, field: 'fog', to: 1 }))).toEqual(['unknown-field']);
  expect(codes(await applyChange({ ...DEADZONE, layer: 'car', axis: 'clutch', to: 1 }))).toEqual(['no-menu']);
  expect(codes(await applyChange({ ...DEADZONE, to: 4, carId: 'marl-850x' }))).toEqual(['no-car']);
  expect(
    codes(
      await applyChange({
        ...DEADZONE,
        to: [
          [0, 0],
          [1, 1],
        ],
      }),
    ),
  ).toEqual(['bad-curve']);
  expect(codes(await putBack('nothing'))).toEqual(['no-such-change']);
  expect(codes(await restoreMoment('nothing'))).toEqual(['no-such-change']);
  expect(await events()).toEqual([]);
});

it('a base is set in every title, unless it is said to be for this one; a title is not', async () => {
  await applyChange({ ...DEADZONE, layer: 'base', to: 3 });
  await applyChange({ ...DEADZONE, layer: 'title', to: 5 });
  await changeCombination({ titleId: 'millstone' });
  expect(await inForce()).toEqual({ [of('base')]: 3 });
  await applyChange({ ...DEADZONE, layer: 'base', to: 2, thisTitleOnly: true });
  expect(await inForce()).toEqual({ [of('base')]: 2 });
  await changeCombination({ titleId: 'causeway' });
  expect(await inForce()).toEqual({ [of('base')]: 3, [of('title')]: 5 });
});

it('each driver has feet of their own; for everyone means also for who set it', async () => {
  await applyChange({ ...DEADZONE, to: 5 });
  await changeCombination({ driver: 'Noon shift' });
  expect(await inForce()).toEqual({});
  await applyChange({ ...DEADZONE, to: 7, forEveryone: true });
  await changeCombination({ driver: 'Late shift' });
  // Its own stands, until the driver as well wants the same for all.
  expect((await inForce())[of('title')]).toBe(5);
  await applyChange({ ...DEADZONE, to: 6, forEveryone: true });
  for (const driver of ['Late shift', 'Noon shift', 'Dawn shift'])
    expect((await inForce({ ...(await opened()), driver }))[of('title')]).toBe(6);
});

it('what is set for everyone must leave every driver some travel', async () => {
  // Full at 40 % of the way.
  await applyChange({ ...DEADZONE, field: 'saturation', to: 60 });
  await changeCombination({ driver: 'Noon shift' });
  const reply = await applyChange({ ...DEADZONE, to: 50, forEveryone: true });
  expect(codes(reply)).toEqual(['no-travel-left']);
  expect(reply.ok ? '' : reply.problems[0]!.message).toMatch(
    /^Gannet in Causeway .*, Late shift: Dead zone 0\.50/,
  );
  expect(await applyChange({ ...DEADZONE, to: 50 })).toEqual({ ok: true });
  expect(await applyChange({ ...DEADZONE, to: 10, forEveryone: true })).toEqual({ ok: true });
});

it('nor may putting back take another driver’s travel', async () => {
  await applyChange({ ...DEADZONE, field: 'saturation', to: 60, forEveryone: true });
  await applyChange({ ...DEADZONE, field: 'saturation', to: 0, forEveryone: true });
  const wide = (await events()).at(-1)!;
  await changeCombination({ driver: 'Dawn shift' });
  await applyChange({ ...DEADZONE, to: 70 });
  await changeCombination({ driver: 'Late shift' });
  expect(codes(await putBack(wide.id))).toEqual(['no-travel-left']);
  expect(codes(await restoreMoment((await events())[0]!.id))).toEqual(['no-travel-left']);
  await changeCombination({ driver: 'Dawn shift' });
  await applyChange({ ...DEADZONE, to: 20 });
  await changeCombination({ driver: 'Late shift' });
  expect(await putBack(wide.id)).toEqual({ ok: true });
});

it('a branch begins as things are, and goes its own way', async () => {
  await applyChange({ ...DEADZONE, to: 5 });
  expect(await branchOff('wet')).toMatchObject({ ok: true, opens: { branch: 'wet' } });
  expect(await inForce()).toEqual({ [of('title')]: 5 });
  await applyChange({ ...DEADZONE, to: 8 });
  expect((await inForce({ ...(await opened()), branch: '' }))[of('title')]).toBe(5);
  expect(codes(await branchOff('wet'))).toEqual(['branch-exists']);
});

/** What a hand may do to a book, in any order. */
const deed = fc.oneof(
  fc.record({
    do: fc.constant('apply' as const),
    layer: fc.constantFrom('base', 'title', 'car'),
    field: fc.constantFrom('deadzone', 'saturation', 'linearity', 'end'),
    axis: fc.constantFrom('brake', 'throttle'),
    to: fc.option(fc.oneof(fc.integer({ min: 0, max: 100 }), fc.constantFrom(-1, 0.05, 0.2, 0.5, 0.9, 1e9)), {
      freq: 6,
    }),
    forEveryone: fc.boolean(),
    thisTitleOnly: fc.boolean(),
  }),
  fc.record({ do: fc.constant('put back' as const), pick: fc.nat() }),
  fc.record({ do: fc.constant('restore' as const), pick: fc.nat() }),
  fc.record({
    do: fc.constant('open' as const),
    titleId: fc.constantFrom('causeway', 'hill-and-hollow', 'millstone'),
    driver: fc.constantFrom('Late shift', 'Noon shift'),
  }),
);

it('whatever is done in whatever order: nothing is lost, what was applied holds, and every axis keeps its travel', async () => {
  const [rig] = await listRigs(book.db);
  const titles = await listTitles(book.db);
  await fc.assert(
    fc.asyncProperty(fc.array(deed, { minLength: 5, maxLength: 12 }), async (deeds) => {
      for (const one of deeds) {
        const before = [...(await events())];
        const [was, here] = [await inForce(), await opened()];
        const some = before[('pick' in one ? one.pick : 0) % Math.max(1, before.length)]?.id ?? 'none';
        let reply: Reply;
        if (one.do === 'open') reply = await changeCombination({ titleId: one.titleId, driver: one.driver });
        else if (one.do === 'put back') reply = await putBack(some);
        else if (one.do === 'restore') reply = await restoreMoment(some);
        else {
          const { layer, axis, field, to, forEveryone, thisTitleOnly } = one;
          reply = await applyChange({ layer, axis, field, to, forEveryone, thisTitleOnly, why: 'tried' });
          if (reply.ok && one.to !== null && !one.forEveryone)
            expect((await inForce())[of(one.layer, one)]).toBe(one.to);
        }
        const after = await events();
        expect(after.slice(0, before.length)).toEqual(before);
        if (!reply.ok) expect(after).toHaveLength(before.length);
        if (!reply.ok) expect(await inForce()).toEqual(was);
        if (one.do === 'restore' && reply.ok) {
          const then = before.slice(0, before.findIndex(({ id }) => id === some) + 1);
          expect(await inForce()).toEqual(valuesOf(effectiveSettings(then, here)));
        }
        for (const known of await listCombinations(book.db)) {
          if (known.rigId !== rigId) continue;
          const menus = menusFor(rig!.spec, titles.byId(known.titleId), carById(known.carId));
          for (const axis of ['brake', 'throttle'] as const)
            for (const { deadzone, saturation } of responseLayers(menus, await inForce(known), axis))
              expect(saturation - deadzone).toBeGreaterThan(0.04);
        }
      }
    }),
    { numRuns: tries(2, 5) },
  );
});
