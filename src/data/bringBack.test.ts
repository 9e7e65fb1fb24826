import fc from 'fast-check';
import { plainRig } from '@/core/rig/rigSpec';
import { bookDocument } from './backup';
import { bringBack } from './bringBack';
import { addChanges, forgetChanges, listChanges } from './changes';
import { chooseCombination, markTypedIn } from './combination';
import { judgeBook } from './judgeBook';
import type { Book } from './openBook';
import { addRig } from './rigs';
import { changes, combinations, rigs } from './schema';
import { bookForTests, onServer } from './testing/bookForTests';
import { expectRoundTrip } from './testing/roundTrip';
import { write } from './write';
import { tries } from '@/core/testing/longRun';

const HERE = { rigId: 'r', titleId: 'causeway', carId: 'marl-850', driver: 'Late shift', branch: '' };
const HOUR_MS = 3_600_000;
const now = Date.now();
let book: Book;

beforeAll(async () => {
  book = await bookForTests();
  await addRig(book.db, { id: 'r', name: 'Tern', spec: plainRig({ kind: 'simulated', rig: 'tern' }) });
  await chooseCombination(book.db, HERE);
});
afterAll(() => book.close());

async function changedAt(times: readonly number[]): Promise<void> {
  await book.db.delete(changes);
  forgetChanges(book.db);
  const { rigId, ...scope } = HERE;
  await addChanges(
    book.db,
    rigId,
    times.map((atMs, i) => ({
      id: `c${i}`,
      atMs,
      kind: 'set',
      scope: { rigId, ...scope, carId: null },
      key: { layer: 'title', axis: 'brake', field: 'deadzone' },
      from: i === 0 ? null : i - 1,
      to: i,
      why: 'tried',
    })),
  );
}
const times = async () => (await listChanges(book.db, 'r')).map(({ atMs }) => atMs);
const faults = async () => judgeBook(await bookDocument(book.db, now), now).map(({ code }) => code);

it('what a clock that ran ahead has dated is dated now, in its order; everything else is left alone', async () => {
  // Hours from now: years ago to years ahead, with the hours around the limit among them.
  const hours = fc.oneof(
    fc.integer({ min: -9000, max: 90_000 }),
    fc.constantFrom(-1, 0, 1, 11, 12, 13, 24, 25),
  );
  await fc.assert(
    fc.asyncProperty(fc.array(hours, { minLength: 1, maxLength: 12 }), async (all) => {
      const before = all.sort((a, b) => a - b).map((h) => now + h * HOUR_MS);
      await changedAt(before);
      await write(book.db, (inside) => bringBack(inside, now));
      const after = await times();
      before.forEach((atMs, i) => {
        if (atMs <= now + 12 * HOUR_MS) expect(after[i]).toBe(atMs);
        for (let k = 0; k < i; k++)
          expect(Math.sign(after[i]! - after[k]!)).toBe(Math.sign(atMs - before[k]!));
      });
      expect(await faults()).toEqual([]);
    }),
    { numRuns: onServer(tries(10, 40)) },
  );
});

it('a book that was written in the future cannot be saved, and can once it is dated', async () => {
  const ahead = now + 400 * 24 * HOUR_MS;
  await changedAt([now - HOUR_MS, ahead, ahead + 5]);
  await book.db.update(rigs).set({ createdAt: new Date(ahead + 3) });
  await book.db.update(combinations).set({ openedAt: new Date(ahead + 1) });
  await markTypedIn(book.db, HERE, { atMs: ahead + 2, version: '1', values: {} });
  expect(await faults()).toEqual(Array(5).fill('beyond-tomorrow'));
  expect(await write(book.db, (inside) => bringBack(inside, now))).toBe(5);
  expect(await faults()).toEqual([]);
  expect(await write(book.db, (inside) => bringBack(inside, now))).toBe(0);
  await expectRoundTrip(book);
});
