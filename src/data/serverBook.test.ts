import pg from 'pg';
import { plainRig } from '@/core/rig/rigSpec';
import { addChanges, listChanges } from './changes';
import { chooseCombination } from './combination';
import { readFact, writeFact } from './facts';
import type { Book } from './openBook';
import { addRig, listRigs } from './rigs';
import { rideParts } from './schema';
import { openServerBook, ServerRefused } from './serverBook';
import { isLost } from './serverConnection';
import { databaseForTests, MIGRATIONS } from './testing/bookForTests';
import { write } from './write';

const SERVER = process.env['TEST_DATABASE_URL']!;
const HERE = { rigId: 'r', titleId: 'causeway', carId: 'marl-850', driver: 'Late shift', branch: '' };

let database: Awaited<ReturnType<typeof databaseForTests>>;
/** Two programs on one server, as each of two rigs has one. */
let programs: Book[];
const [first, second] = [0, 1].map((i) => () => programs[i]!) as [() => Book, () => Book];

beforeAll(async () => {
  database = await databaseForTests(SERVER);
  // Both come at once to a database that is empty: one of them brings it up to date.
  programs = await Promise.all([0, 1].map(() => openServerBook(database.url, MIGRATIONS)));
  await addRig(first().db, { id: 'r', name: 'Tern', spec: plainRig({ kind: 'simulated', rig: 'tern' }) });
  await chooseCombination(first().db, HERE);
});
afterAll(async () => {
  await Promise.all(programs.map((book) => book.close()));
  await database.drop();
});

const ask = async <T extends pg.QueryResultRow>(text: string): Promise<T[]> => {
  const client = new pg.Client({ connectionString: database.url });
  await client.connect();
  const { rows } = await client.query<T>(text);
  await client.end();
  return rows;
};
/** Every connection of both programs is cut. */
const cutAll = () =>
  ask(`select pg_terminate_backend(pid) from pg_stat_activity
       where datname = current_database() and pid <> pg_backend_pid()`);
const COUNTER = 'title-version/causeway';
const countIn = async (book: Book) =>
  Number(((await readFact(book.db, COUNTER)) as { version: string } | undefined)?.version ?? 0);
const countUp = (book: Book, counted: number[]) =>
  write(book.db, async (inside) => {
    const before = (await readFact(inside, COUNTER)) as { version: string } | undefined;
    const next = Number(before?.version ?? 0) + 1;
    await new Promise((resolve) => setImmediate(resolve));
    await writeFact(inside, COUNTER, { version: String(next) });
    counted.push(next);
    return { ok: true, next };
  });

// First of all: what earlier writes told may still be under way.
it('each hears of what the other wrote, and not of what it wrote itself', async () => {
  const heard: string[] = [];
  first().onWritten(() => heard.push('first'));
  second().onWritten(() => heard.push('second'));
  const told = new Promise<void>((resolve) => second().onWritten(() => resolve()));
  await countUp(first(), []);
  await told;
  expect(new Set(heard)).toEqual(new Set(['second']));
});

it('writes of two programs stand in one row: none counts what another has counted', async () => {
  const before = await countIn(first());
  const counted: number[] = [];
  await Promise.all(Array.from({ length: 40 }, (_, i) => countUp(programs[i % 2]!, counted)));
  expect(counted.sort((a, b) => a - b)).toEqual(Array.from({ length: 40 }, (_, i) => before + i + 1));
  expect(await countIn(second())).toBe(before + 40);
});

it('what one program added to the trail is on the other’s', async () => {
  const scope = { rigId: 'r', titleId: 'causeway', carId: null, driver: 'Late shift', branch: '' };
  const key = { layer: 'title', axis: 'brake', field: 'deadzone' } as const;
  await listChanges(second().db, 'r');
  await write(first().db, (inside) =>
    addChanges(inside, 'r', [
      { id: 'c1', atMs: Date.now(), kind: 'set', scope, key, from: null, to: 4, why: 'drags' },
    ]),
  );
  expect((await listChanges(second().db, 'r')).map(({ id }) => id)).toEqual(['c1']);
});

it('what is refused is not written, and nobody is told', async () => {
  const before = await countIn(second());
  const answer = await write(first().db, async (inside) => {
    await writeFact(inside, COUNTER, { version: '0' });
    return { ok: false };
  });
  expect(answer).toEqual({ ok: false });
  expect(await countIn(second())).toBe(before);
});

it('connections that are cut come back: reads answer, what was acknowledged was done once, and news is heard again', async () => {
  const before = await countIn(first());
  const acknowledged: number[] = [];
  let unsure = 0;
  for (let round = 0; round < 5; round++) {
    const writing = Array.from({ length: 6 }, (_, i) => countUp(programs[i % 2]!, []));
    const reading = Array.from({ length: 6 }, (_, i) => listRigs(programs[i % 2]!.db));
    await cutAll();
    for (const done of await Promise.allSettled(writing)) {
      if (done.status === 'fulfilled') acknowledged.push(done.value.next);
      // Cut at the very end: it may have been done, and is not begun again.
      else unsure += isLost(done.reason) ? 1 : NaN;
    }
    expect((await Promise.all(reading)).every((rigs) => rigs.length === 1)).toBe(true);
  }
  expect(acknowledged.length + unsure).toBe(30);
  expect(new Set(acknowledged).size).toBe(acknowledged.length);
  const counted = (await countIn(first())) - before;
  expect(counted).toBeGreaterThanOrEqual(acknowledged.length);
  expect(counted).toBeLessThanOrEqual(acknowledged.length + unsure);
  const told = new Promise<void>((resolve) => second().onWritten(() => resolve()));
  await countUp(first(), []);
  await told;
});

it('another book takes its place for both programs; only one of them makes one at a time', async () => {
  const incoming = await first().incoming();
  await expect(second().incoming()).rejects.toThrow(/another program is restoring/);
  const spec = plainRig({ kind: 'simulated', rig: 'wren' });
  await addRig(incoming.db, { id: 'other', name: 'Wren', spec });
  expect((await listRigs(second().db)).map(({ id }) => id)).toEqual(['r']);
  const told = new Promise<string>((resolve) => second().onWritten(resolve));
  await incoming.take();
  expect(await told).toBe('replaced');
  expect((await listRigs(second().db)).map(({ id }) => id)).toEqual(['other']);
  expect(await listChanges(second().db, 'r')).toEqual([]);
  // What is thrown away leaves nothing, and the next one may begin.
  await (await second().incoming()).drop();
  expect(await ask(`select 1 from pg_namespace where nspname in ('incoming', 'outgoing')`)).toEqual([]);
});

it('a program that starts leaves alone what another one is writing, and sweeps when it is by itself', async () => {
  await first()
    .db.insert(rideParts)
    .values({ rideId: 'begun', part: 0, samples: new Uint8Array(3) });
  const third = await openServerBook(database.url, MIGRATIONS);
  expect(await third.db.$count(rideParts)).toBe(1);
  await Promise.all([third.close(), ...programs.map((book) => book.close())]);
  programs = await Promise.all([0, 1].map(() => openServerBook(database.url, MIGRATIONS)));
  expect(await first().db.$count(rideParts)).toBe(0);
});

it('a database of a newer program is refused, and changed in nothing', async () => {
  await ask(`insert into drizzle.__drizzle_migrations (hash, created_at) values ('later', 99999999999999)`);
  await expect(openServerBook(database.url, MIGRATIONS)).rejects.toThrow(/written by a newer Pebble Road/);
  await ask(`delete from drizzle.__drizzle_migrations where hash = 'later'`);
});

it.each([
  ['http://x@localhost/y', /no address of a PostgreSQL server/],
  ['not an address', /no address of a PostgreSQL server/],
  [SERVER.replace(/[^/]*$/, 'nowhere'), /nowhere could not be opened \(database "nowhere" does not exist\)/],
  [SERVER.replace(/\/\/[^@]*@/, '//nobody:secret@'), /could not be opened/],
])('refuses %s in words that hold no password', async (url, message) => {
  const refusal = await openServerBook(url, MIGRATIONS).catch((error: unknown) => error);
  expect(refusal).toBeInstanceOf(ServerRefused);
  expect(String(refusal)).toMatch(message);
  expect(String(refusal)).not.toMatch(/secret/);
});
