import { plainRig } from '@/core/rig/rigSpec';
import { bookDocument } from './backup';
import { addChanges, listChanges } from './changes';
import { loadCapture } from './captures';
import { copyBook } from './moveBook';
import { openBook, type Book } from './openBook';
import { addRig, listRigs } from './rigs';
import { bookForTests, bookFrom, emptyBook, MIGRATIONS } from './testing/bookForTests';
import { isLongRun } from '@/core/testing/longRun';
import { captures } from './schema';

const inMemory = () => openBook(null, MIGRATIONS, { from: emptyBook() });
const books: Book[] = [];
const opened = async (opening: Promise<Book>) => {
  books.push(await opening);
  return books.at(-1)!.db;
};
afterAll(() => Promise.all(books.map((book) => book.close())));

/** Everything but the samples, in an order that hangs on no language. */
const said = async (db: Book['db']) => {
  return Object.fromEntries(
    Object.entries(await bookDocument(db, 1)).map(([name, rows]) => [
      name,
      Array.isArray(rows) ? rows.map((row) => JSON.stringify(row)).sort() : rows,
    ]),
  );
};

it('a book goes to another place and back: equal to what it was, and it can be gone on with', async () => {
  const own = await opened(bookFrom(isLongRun ? 'begun' : 'few'));
  const kept = await own.$count(captures);
  // On a server where there is one, else in another memory.
  const there = await opened(bookForTests());
  const tables: string[] = [];
  const { rows } = await copyBook(own, there, (table) => tables.push(table));
  expect(tables).toEqual(Object.keys(rows));
  expect(rows).toMatchObject({ rigs: 3, captures: kept, rides: 1, changes: 18 });
  expect(rows['capture_parts']).toBeGreaterThan(kept);
  expect(await said(there)).toEqual(await said(own));

  const back = await opened(inMemory());
  await copyBook(there, back);
  expect(await said(back)).toEqual(await said(own));
  const [id] = ['demo-tern-brake-0'];
  expect((await loadCapture(back, id!))!.recording).toEqual((await loadCapture(own, id!))!.recording);

  const scope = { rigId: 'tern', titleId: 'causeway', carId: null, driver: 'Late shift', branch: '' };
  const key = { layer: 'title', axis: 'brake', field: 'deadzone' } as const;
  await addChanges(there, 'tern', [
    { id: 'later', atMs: Date.now(), kind: 'set', scope, key, from: null, to: 4, why: 'drags' },
  ]);
  expect((await listChanges(there, 'tern')).at(-1)!.id).toBe('later');
});

it('nothing is moved over a book that is there', async () => {
  const [own, there] = [await opened(inMemory()), await opened(bookForTests())];
  await copyBook(own, there);
  await addRig(there, { id: 'r', name: 'Tern', spec: plainRig({ kind: 'simulated', rig: 'tern' }) });
  await expect(copyBook(own, there)).rejects.toThrow(/There is a book already/);
  expect(await listRigs(there)).toHaveLength(1);
});
