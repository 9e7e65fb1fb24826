import fc from 'fast-check';
import { plainRig } from '@/core/rig/rigSpec';
import { bookTime } from './bookTime';
import { addChanges, listChanges } from './changes';
import { readFact, writeFact } from './facts';
import type { Book } from './openBook';
import { addRig, listRigs } from './rigs';
import { bookForTests } from './testing/bookForTests';
import { rootOf, write } from './write';
import { tries } from '@/core/testing/longRun';

let book: Book;
beforeAll(async () => {
  book = await bookForTests();
  await addRig(book.db, { id: 'r', name: 'Tern', spec: plainRig({ kind: 'simulated', rig: 'tern' }) });
});
afterAll(() => book.close());

const version = async () =>
  Number(
    ((await readFact(book.db, 'title-version/causeway')) as { version: string } | undefined)?.version ?? 0,
  );

it('of many that count at once none counts the same number', async () => {
  const counted: number[] = [];
  const countUp = () =>
    write(book.db, async (inside) => {
      const before = (await readFact(inside, 'title-version/causeway')) as { version: string } | undefined;
      const next = Number(before?.version ?? 0) + 1;
      // As if it had to think.
      await new Promise((resolve) => setImmediate(resolve));
      await writeFact(inside, 'title-version/causeway', { version: String(next) });
      counted.push(next);
    });
  await Promise.all(Array.from({ length: 20 }, countUp));
  expect(counted).toEqual(Array.from({ length: 20 }, (_, i) => i + 1));
  expect(await version()).toBe(20);
});

it('what throws or refuses leaves nothing, and does not stop those behind it', async () => {
  const before = await version();
  const set = (to: number, end: () => unknown) =>
    write(book.db, async (inside) => {
      await writeFact(inside, 'title-version/causeway', { version: String(to) });
      return end();
    });
  const [thrown, refused, done] = await Promise.allSettled([
    set(1000, () => {
      throw new Error('in the middle');
    }),
    set(2000, () => ({ ok: false, problems: [] })),
    set(before + 1, () => ({ ok: true })),
  ]);
  expect(thrown).toMatchObject({ status: 'rejected', reason: { message: 'in the middle' } });
  expect(refused).toEqual({ status: 'fulfilled', value: { ok: false, problems: [] } });
  expect(done).toEqual({ status: 'fulfilled', value: { ok: true } });
  expect(await version()).toBe(before + 1);
});

it('what a transaction added and took back is not remembered; what it kept is', async () => {
  const event = (id: string) => ({ id, atMs: 1, kind: 'put-back' as const, undoes: 'x', why: 'w' });
  expect(await listChanges(book.db, 'r')).toEqual([]);
  await write(book.db, async (inside) => {
    await addChanges(inside, 'r', [event('a')]);
    expect((await listChanges(inside, 'r')).map(({ id }) => id)).toEqual(['a']);
    return { ok: false };
  });
  expect(await listChanges(book.db, 'r')).toEqual([]);
  await write(book.db, (inside) => addChanges(inside, 'r', [event('b')]));
  await write(book.db, async (inside) => {
    expect((await listChanges(inside, 'r')).map(({ id }) => id)).toEqual(['b']);
    await addChanges(inside, 'r', [event('c')]);
  });
  expect((await listChanges(book.db, 'r')).map(({ id }) => id)).toEqual(['b', 'c']);
});

it('times go on across transactions, and a handle knows its book', async () => {
  const times: number[] = [await bookTime(book.db)];
  for (let i = 0; i < 3; i++)
    await write(book.db, async (inside) => {
      expect(rootOf(inside)).toBe(book.db);
      times.push(await bookTime(inside), await bookTime(inside));
    });
  times.push(await bookTime(book.db));
  expect(rootOf(book.db)).toBe(book.db);
  for (let i = 1; i < times.length; i++) expect(times[i]!).toBeGreaterThan(times[i - 1]!);
});

it('any commands at once end as one after the other would, in the order in which they came', async () => {
  const step = fc.record({ add: fc.nat(9), ends: fc.constantFrom('done', 'refused', 'thrown') });
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 1, maxLength: 8 }), async (steps) => {
      const from = await version();
      let expected = from;
      for (const { add, ends } of steps) if (ends === 'done') expected = (expected * 3 + add) % 9973;
      await Promise.allSettled(
        steps.map(({ add, ends }) =>
          write(book.db, async (inside) => {
            const now = (await readFact(inside, 'title-version/causeway')) as { version: string };
            const next = (Number(now.version) * 3 + add) % 9973;
            await writeFact(inside, 'title-version/causeway', { version: String(next) });
            if (ends === 'thrown') throw new Error('thrown');
            return { ok: ends === 'done' };
          }),
        ),
      );
      expect(await version()).toBe(expected);
    }),
    { numRuns: tries(10, 30) },
  );
  expect((await listRigs(book.db)).length).toBe(1);
});
