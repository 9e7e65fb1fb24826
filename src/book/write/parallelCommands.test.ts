import fc from 'fast-check';
import { FERRY_LANE } from '@/core/testing/startField';
import { plainRig } from '@/core/rig/rigSpec';
import { bookDocument } from '@/data/backup';
import type { BookDocument } from '@/core/formats/bookJson';
import { forgetTimes } from '@/data/bookTime';
import { addChanges, forgetChanges } from '@/data/changes';
import { judgeBook } from '@/data/judgeBook';
import type { Database } from '@/data/database';
import { restoreRows } from '@/data/restore';
import { addRig } from '@/data/rigs';
import { changes, combinations, facts, ownDialects, rigs, ticks } from '@/data/schema';
import { branchOff, restoreMoment } from './branches';
import { applyChange, applyChanges, changeCombination, putBack } from './settings';
import { tickItem } from './readiness';
import type { Reply } from './reply';
import { makeRig, saveRig } from './rigs';
import { chooseSchool } from './schools';
import { bookInMemory } from '../testing/bookInMemory';
import { askedBy, Browser } from '../testing/browser';
import { saveTitle } from './titles';
import { onServer } from '@/data/testing/bookForTests';
import { tries } from '@/core/testing/longRun';

jest.mock('next/cache', () => ({ revalidatePath: () => undefined }));

const HERE = { rigId: 'rig', titleId: 'causeway', carId: 'marl-850', driver: 'Late shift', branch: '' };
const spec = plainRig({ kind: 'simulated', rig: 'tern' });
let start: BookDocument;

const book = bookInMemory(async (db) => {
  await addRig(db, { id: 'rig', name: 'Tern', spec });
  await changeCombination(HERE);
  const scope = { rigId: 'rig', titleId: 'causeway', carId: null, driver: 'Late shift', branch: '' };
  const key = { layer: 'title', axis: 'brake', field: 'deadzone' } as const;
  await addChanges(db, 'rig', [
    { id: 'first', atMs: 5, kind: 'set', scope, key, from: null, to: 4, why: 'drags' },
  ]);
  start = await bookDocument(db, 1);
});

async function backToStart(db: Database): Promise<void> {
  for (const table of [changes, ticks, combinations, facts, ownDialects, rigs]) await db.delete(table);
  forgetChanges(db);
  forgetTimes(db);
  await restoreRows(db, start);
}

/** Each comes from a window of its own, which shows the book as it began. */
const fromItsWindow = ({ run }: Command) => askedBy(new Browser(), run);

interface Command {
  name: string;
  run(): Promise<Reply>;
}
const brake = (field: string, to: number, more: object = {}): Command => ({
  name: `brake ${field} ${to} ${JSON.stringify(more)}`,
  run: () => applyChange({ axis: 'brake', field, to, why: 'tried', ...more }),
});

/** Each is allowed by itself; many are not beside, or after, another one. */
const COMMANDS: Command[] = [
  brake('deadzone', 60),
  brake('deadzone', 60, { forEveryone: true }),
  brake('deadzone', 9, { seen: 4 }),
  brake('deadzone', 12, { seen: 4 }),
  brake('saturation', 60),
  brake('saturation', 50, { forEveryone: true }),
  {
    name: 'two at once',
    run: () =>
      applyChanges([
        { axis: 'brake', field: 'deadzone', to: 40, why: 'a' },
        { axis: 'throttle', field: 'linearity', to: 10, why: 'b' },
      ]),
  },
  { name: 'put back', run: () => putBack('first') },
  { name: 'put back again', run: () => putBack('first') },
  { name: 'the moment', run: () => restoreMoment('first') },
  { name: 'branch wet', run: () => branchOff('wet') },
  { name: 'branch wet again', run: () => branchOff('wet') },
  { name: 'other driver', run: () => changeCombination({ driver: 'Noon shift' }) },
  { name: 'other title', run: () => changeCombination({ titleId: 'millstone' }) },
  { name: 'tick', run: () => tickItem('fixings', true) },
  { name: 'new rig', run: () => makeRig({ name: 'Loft', device: { kind: 'simulated', rig: 'wren' } }) },
  { name: 'same name', run: () => makeRig({ name: 'loft', device: { kind: 'simulated', rig: 'wren' } }) },
  {
    name: 'described',
    run: () => saveRig({ name: 'Tern', spec: { ...spec, mounting: 'desk' }, seen: { name: 'Tern', spec } }),
  },
  {
    name: 'described otherwise',
    run: () => saveRig({ name: 'Tern', spec: { ...spec, mounting: 'frame' }, seen: { name: 'Tern', spec } }),
  },
  { name: 'school', run: () => chooseSchool({ clipping: 'none' }) },
  { name: 'other school', run: () => chooseSchool({ rotation: 'one' }) },
  {
    name: 'title',
    run: () => saveTitle({ document: FERRY_LANE }),
  },
];

/** What a book says, without the names and moments that are new every time. */
function said(document: BookDocument): string {
  const { rigs: r, combinations: c, facts: f, changes: all, ticks: t, ownDialects: o } = document;
  const names = new Map<string, string>();
  const plain = JSON.stringify({ r, c, f, t, o, all: all.map(({ atMs: _, ...change }) => change) });
  return plain
    .replace(/[0-9a-f]{8}-[0-9a-f-]{27}/g, (id) => {
      if (!names.has(id)) names.set(id, `new-${names.size}`);
      return names.get(id)!;
    })
    .replace(/"(openedAtMs|createdAtMs|atMs|sinceMs)":\d+/g, '"$1":0');
}

/** Combinations are listed by name: an order that does not hang on random ids. */
function outcome(document: BookDocument, replies: Reply[]): string {
  return `${replies.map((reply) => (reply.ok ? 'done' : reply.problems[0]!.code)).join(' ')} ${said(document)}`;
}

function* orders<T>(all: T[]): Generator<T[]> {
  if (all.length <= 1) return yield all;
  for (let i = 0; i < all.length; i++)
    for (const rest of orders(all.toSpliced(i, 1))) yield [all[i]!, ...rest];
}

/** One after another they take minutes: the database is asked some hundred times for each. */
const TRIES = onServer(tries(14, 100));

it('commands that come at once do what some order of single ones does, and never leave what cannot be', async () => {
  const some = fc.array(fc.nat(COMMANDS.length - 1), { minLength: 2, maxLength: 3 });
  let atOnce = 0;
  await fc.assert(
    fc.asyncProperty(some, async (indices) => {
      const asked = indices.map((i) => COMMANDS[i]!);
      await backToStart(book.db);
      const replies = await Promise.all(asked.map(fromItsWindow));
      const document = await bookDocument(book.db, 1);
      expect(judgeBook(document, Date.now())).toEqual([]);
      const found = outcome(document, replies);
      for (const order of orders(asked.map((_, k) => k))) {
        await backToStart(book.db);
        const single: Reply[] = [];
        for (const k of order) single[k] = await fromItsWindow(asked[k]!);
        if (outcome(await bookDocument(book.db, 1), single) === found) {
          atOnce++;
          return;
        }
      }
      throw new Error(`no order of ${asked.map(({ name }) => name).join(', ')} does the same`);
    }),
    { numRuns: TRIES },
  );
  expect(atOnce).toBe(TRIES);
});

it('a window that still shows an older value is told so, and overwrites nothing', async () => {
  await backToStart(book.db);
  const [first, second] = await Promise.all([
    applyChange({ axis: 'brake', field: 'deadzone', to: 9, seen: 4, why: 'one window' }),
    applyChange({ axis: 'brake', field: 'deadzone', to: 12, seen: 4, why: 'another' }),
  ]);
  expect(first).toEqual({ ok: true });
  expect(second).toMatchObject({
    ok: false,
    problems: [
      { code: 'changed-meanwhile', message: expect.stringMatching(/is 9 by now; this page still showed 4/) },
    ],
  });
  // Who wants what it is already has what they want.
  expect(await applyChange({ axis: 'brake', field: 'deadzone', to: 9, seen: 4, why: 'late' })).toEqual({
    ok: true,
  });
});

it('what is set for everyone cannot leave somebody without travel who has not driven here yet', async () => {
  await backToStart(book.db);
  expect(
    (await applyChange({ axis: 'brake', field: 'deadzone', to: 60, why: 'a', forEveryone: true })).ok,
  ).toBe(true);
  expect((await applyChange({ axis: 'brake', field: 'deadzone', to: 0, why: 'mine' })).ok).toBe(true);
  const spoils = await applyChange({
    axis: 'brake',
    field: 'saturation',
    to: 60,
    why: 'b',
    forEveryone: true,
  });
  expect(spoils).toMatchObject({
    ok: false,
    problems: [{ message: expect.stringMatching(/any other driver/) }],
  });
});
