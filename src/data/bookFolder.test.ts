import { cpSync, existsSync, mkdtempSync, readdirSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { plainRig } from '@/core/rig/rigSpec';
import { BookDamaged, BookIncomplete, BookRefused, FolderUnwritable, unwritable } from './bookFolder';
import { openBook as open, type OpenOptions } from './openBook';
import { addRig, listRigs } from './rigs';
import { emptyBook, MIGRATIONS } from './testing/bookForTests';

const openBook = (place: string, options: OpenOptions = {}) =>
  open(place, MIGRATIONS, { ...options, from: emptyBook() });
const folder = mkdtempSync(join(tmpdir(), 'pebble-folder-'));
const sound = join(folder, 'sound');

beforeAll(async () => {
  const book = await openBook(sound);
  await addRig(book.db, { id: 'r', name: 'Tern', spec: plainRig({ kind: 'simulated', rig: 'tern' }) });
  await book.close();
});
afterAll(() => rmSync(folder, { recursive: true }));

let copies = 0;
function copy(): string {
  const place = join(folder, `copy-${copies++}`);
  cpSync(sound, place, { recursive: true });
  return place;
}
const firstLog = (place: string) => {
  const log = join(place, 'book', 'pg_wal');
  return join(
    log,
    readdirSync(log).find((name) => /^[0-9A-F]{24}$/.test(name))!,
  );
};

/** All files of a book, but the database's own note that it tried. */
const filesIn = (place: string) =>
  readdirSync(join(place, 'book'), { recursive: true })
    .filter((name) => name !== 'postmaster.pid')
    .sort();

/** What opening says; the folder is the same afterwards. */
async function refusal(place: string): Promise<Error> {
  const before = filesIn(place);
  const error: unknown = await openBook(place).then(
    (book) => book.close().then(() => new Error('it was opened')),
    (thrown: unknown) => thrown,
  );
  expect(filesIn(place)).toEqual(before);
  return error as Error;
}

it.each<[string, (place: string) => void, RegExp]>([
  ['its version', (place) => rmSync(join(place, 'book', 'PG_VERSION')), /"book\/PG_VERSION" is missing/],
  [
    'what the control file holds',
    (place) => truncateSync(join(place, 'book', 'global', 'pg_control')),
    /pg_control" is empty/,
  ],
  ['its log', (place) => rmSync(firstLog(place)), /holds no log/],
  ['what the log holds', (place) => truncateSync(firstLog(place)), /is empty/],
  ['all of it but the folder', (place) => emptied(join(place, 'book')), /gone or empty/],
])('a book that lost %s is refused in words, with what to do, and stays as it is', async (_, spoil, said) => {
  const place = copy();
  spoil(place);
  const error = await refusal(place);
  expect(error).toBeInstanceOf(BookIncomplete);
  expect(error.message).toMatch(said);
  expect(error.message).toMatch(/--aside.*restore your newest backup/);
});

function emptied(path: string) {
  for (const name of readdirSync(path)) rmSync(join(path, name), { recursive: true });
}

it('a scrambled log is said to be broken, in our words', async () => {
  const place = copy();
  writeFileSync(firstLog(place), Buffer.alloc(16 * 1024 * 1024, 0xa5));
  const error = await refusal(place);
  expect(error).toBeInstanceOf(BookDamaged);
  expect(error.message).not.toMatch(/Abort|wasm|PGlite|sASSERT/i);
});

it('is moved aside on request, and an empty one begun; a sound one is not moved', async () => {
  const place = copy();
  rmSync(join(place, 'book', 'PG_VERSION'));
  const moved: string[] = [];
  const options = { movedAside: (to: string) => void moved.push(to) };
  const fresh = await openBook(place, options);
  expect(await listRigs(fresh.db)).toEqual([]);
  await fresh.close();
  expect(moved).toEqual([expect.stringMatching(/book-aside-/)]);
  expect(existsSync(join(moved[0]!, 'global', 'pg_control'))).toBe(true);
  const again = await openBook(place, options);
  await again.close();
  expect(moved).toHaveLength(1);
});

it('a book from before the mark is taken in; a first start that was cut off begins again', async () => {
  const place = copy();
  rmSync(join(place, 'pebble-road.json'));
  const old = await openBook(place);
  expect((await listRigs(old.db)).map(({ name }) => name)).toEqual(['Tern']);
  await old.close();

  const cut = join(folder, 'cut-off');
  cpSync(join(sound, 'book', 'global'), join(cut, 'book', 'global'), { recursive: true });
  await expect(openBook(cut)).rejects.toThrow(BookIncomplete);
  writeFileSync(
    join(cut, 'pebble-road.json'),
    JSON.stringify({ format: 'pebble-road/folder', version: 1, state: 'beginning' }),
  );
  const begun = await openBook(cut);
  expect(await listRigs(begun.db)).toEqual([]);
  await begun.close();
});

it('a folder that cannot be written to is refused in words', async () => {
  const file = join(folder, 'a-file');
  writeFileSync(file, '');
  await expect(openBook(join(file, 'below'))).rejects.toThrow(BookRefused);
  for (const [code, said] of [
    ['ENOSPC', /disk is full/],
    ['EROFS', /only be read/],
    ['EACCES', /may not write/],
  ] as const) {
    const error = Object.assign(new Error('open'), { code });
    expect(unwritable(new Error('could not extend file', { cause: error }))).toMatch(said);
    expect(new FolderUnwritable('here', error).message).toMatch(said);
  }
  expect(unwritable(new Error('column "x" does not exist'))).toBeNull();
});
