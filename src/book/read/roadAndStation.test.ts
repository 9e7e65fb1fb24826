import { isSettled } from '@/core/ready/preflight';
import { chainOf } from '@/core/force/chainOf';
import { deadAdvice } from '@/core/force/forceAdvice';
import { FAST_MPS, handsOff, ROLL_MPS } from '@/core/force/handsOff';
import type { StabilityReport } from '@/core/force/forceReport';
import { seededRandom } from '@/core/numeric/random';
import { gridCount, gridPoint } from '@/core/response/menuSchema';
import { LAYERS } from '@/core/settings/setting';
import { proposalId } from '@/core/settings/proposal';
import { COMBINATIONS } from '@/data/demoCaptures';
import { forceFactsOf, simulatedFinding } from '../judge/force';
import { lockFinding, lockProposals } from '../judge/lock';
import { axisFinding, axisToLookAt, openOf } from '../judge/road/axes';
import { askedItems } from '../judge/road/ready';
import { findingOf } from '../judge/road/roadHealth';
import type { BookView } from '../model/bookView';
import { bookInMemory } from '../testing/bookInMemory';
import { cardTypedIn } from '../write/card';
import { decline } from '../write/declined';
import { tickItem } from '../write/readiness';
import { applyChange, changeCombination } from '../write/settings';
import { contextIn } from './requestContext';
import { readBook } from './readBook';
import { markedPair } from './readPair';
import { tries } from '@/core/testing/longRun';

jest.mock('next/cache', () => ({ revalidatePath: () => undefined }));

bookInMemory('begun');
const STATES = tries(8, 30);

/** The first number in a sentence. */
const counted = (text: string) => Number(/\d+/.exec(text)?.[0] ?? 0);

/** One thing that a driver may do, whatever it is. */
async function doSomething(view: BookView, random: ReturnType<typeof seededRandom>) {
  const pick = <T>(all: readonly T[]): T => all[random.below(all.length)]!;
  const kind = random.below(10);
  if (kind === 0) return tickItem(pick(askedItems(view)).item.id, random.below(3) > 0);
  if (kind === 1) return cardTypedIn(random.below(3) > 0);
  const open = view.axes.flatMap(openOf);
  if (kind === 2 && open.length > 0) return decline(proposalId(pick(open)));
  const fields = LAYERS.flatMap((layer) =>
    Object.entries(view.menus[layer]).flatMap(([axis, menu]) =>
      menu.dialect.fields.map((field) => ({ layer, axis: axis as 'brake', field })),
    ),
  );
  const { layer, axis, field } = pick(fields);
  return applyChange({
    layer,
    axis,
    field: field.key,
    to: gridPoint(field, random.below(gridCount(field))),
    why: 'tried',
  });
}

/** What the station counts and says of the same book, by what it shows, not by what the road was given. */
async function compare(view: BookView, pair: Awaited<ReturnType<typeof markedPair>>) {
  const said = (id: Parameters<typeof findingOf>[1]) => findingOf(view, id);

  const left = askedItems(view).filter((item) => !isSettled(item)).length;
  if (said('ready').health === 'untouched' || said('ready').health === 'under-way') {
    expect(counted(said('ready').reason)).toBe(left);
    expect(counted(said('ready').heading)).toBe(left);
  }

  const shown = axisToLookAt(view.axes);
  if (said('axes').health === 'look' && said('axes').reason !== 'The check found a fault')
    expect(said('axes').heading).toBe(axisFinding(shown).heading);

  const steps = view.axes.reduce((n, axis) => n + openOf(axis).length, 0);
  // A single one is named by its values, several are counted.
  if (said('shape').health !== 'under-way') expect(steps).toBe(0);
  else if (steps === 1) expect(said('shape').reason).toMatch(/ → \S+ is open$/);
  else expect(said('shape').reason).toBe(`${steps} changes are open`);

  expect(said('lock')).toMatchObject(lockFinding(view));
  if (/open$/.test(said('lock').reason))
    expect(counted(said('lock').reason)).toBe(lockProposals(view).all.length);
  if (said('lock').health === 'settled') expect(lockProposals(view).all).toEqual([]);

  const facts = forceFactsOf(view);
  const chain = chainOf(facts);
  const calm = { roll: handsOff(chain, ROLL_MPS), fast: handsOff(chain, FAST_MPS) };
  const saws = [calm.roll, calm.fast].some(({ verdict }) => verdict === 'saws');
  expect(/saws/.test(said('force').reason)).toBe(saws);
  const dead = deadAdvice(facts, true);
  expect(/does nothing/.test(said('force').reason)).toBe(dead.length > 0);
  if (saws)
    expect(simulatedFinding(view, null, { calm } as unknown as StabilityReport)).toBe(said('force').heading);

  if (pair) {
    expect(said('verdict').health === 'look').toBe(pair.changed.length > 1);
    if (pair.changed.length > 1) expect(counted(said('verdict').reason)).toBe(pair.changed.length);
  } else expect(said('verdict').health).toBe('untouched');

  expect(said('card').health === 'look').toBe((view.typedIn?.since.length ?? 0) > 0);
  // The road has room for two lines of it.
  for (const { id, reason } of view.road)
    if (reason.length > 42) throw new Error(`${id} says too much for the road: ${reason}`);
}

it.each(COMBINATIONS.map((combination) => [combination.rigId, combination] as const))(
  'road and station of the %s tell one truth, whatever is done',
  async (rigId, combination) => {
    const random = seededRandom(rigId.length * 7);
    expect((await changeCombination(combination)).ok).toBe(true);
    for (let state = 0; state < STATES; state++) {
      const { database } = await import('@/data/book');
      const here = (await contextIn(await database(), combination))!;
      const view = await readBook(here);
      await compare(view, await markedPair(here, view));
      await doSomething(view, random);
    }
  },
);
