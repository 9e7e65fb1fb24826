import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { sql } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { plainRig } from '@/core/rig/rigSpec';
import { NewerBook, openBook } from './openBook';
import { addRide, loadRide } from './rides';
import { listRigs } from './rigs';
import { experiments, rigs } from './schema';
import { emptyBook, emptyDatabase, MIGRATIONS } from './testing/bookForTests';
import { tries } from '@/core/testing/longRun';

const SCOPE = { rigId: 'r', titleId: 'causeway', carId: 'marl-850', driver: 'Late shift', branch: '' };

it('brings a book of every earlier version up to date, with what is in it', async () => {
  const journal = JSON.parse(readFileSync(join(MIGRATIONS, 'meta', '_journal.json'), 'utf8')) as {
    entries: object[];
  };
  for (let known = 1; known < journal.entries.length; known += tries(6, 1)) {
    const place = mkdtempSync(join(tmpdir(), 'pebble-earlier-'));
    const earlier = join(place, 'migrations');
    cpSync(MIGRATIONS, earlier, { recursive: true });
    const entries = journal.entries.slice(0, known);
    writeFileSync(join(earlier, 'meta', '_journal.json'), JSON.stringify({ ...journal, entries }));
    mkdirSync(join(place, 'data'));
    const client = await PGlite.create({
      dataDir: join(place, 'data', 'book'),
      loadDataDir: emptyDatabase(),
    });
    const old = drizzle({ client });
    await migrate(old, { migrationsFolder: earlier });
    const spec = plainRig({ kind: 'simulated', rig: 'tern' });
    await old.insert(rigs).values({ id: 'r', name: 'Tern', spec, createdAt: new Date() });
    await client.close();
    const now = await openBook(join(place, 'data'), MIGRATIONS);
    expect((await listRigs(now.db)).map(({ name }) => name)).toEqual(['Tern']);
    const log = { columns: { t_s: Float64Array.of(0), brake: Float64Array.of(0) }, notes: {} };
    await addRide(now.db, { id: 'new', ...SCOPE, trackId: 't', seed: 1, settings: {}, log });
    expect(await loadRide(now.db, 'new')).toEqual(log);
    await now.close();
    rmSync(place, { recursive: true });
  }
});

it('questions that an earlier version asked are called by today’s words', async () => {
  const journal = JSON.parse(readFileSync(join(MIGRATIONS, 'meta', '_journal.json'), 'utf8')) as {
    entries: { tag: string }[];
  };
  const place = mkdtempSync(join(tmpdir(), 'pebble-asked-'));
  const earlier = join(place, 'migrations');
  cpSync(MIGRATIONS, earlier, { recursive: true });
  const entries = journal.entries.filter(({ tag }) => tag <= '0003_experiments');
  writeFileSync(join(earlier, 'meta', '_journal.json'), JSON.stringify({ ...journal, entries }));
  mkdirSync(join(place, 'data'));
  const client = await PGlite.create({ dataDir: join(place, 'data', 'book'), loadDataDir: emptyDatabase() });
  const old = drizzle({ client });
  await migrate(old, { migrationsFolder: earlier });
  const spec = plainRig({ kind: 'simulated', rig: 'tern' });
  await old.insert(rigs).values({ id: 'r', name: 'Tern', spec, createdAt: new Date() });
  for (const [i, question] of ['tell', 'fine', 'what', 'change'].entries())
    await old.insert(experiments).values({
      ...{ id: `${i}`, at: new Date(i), ...SCOPE, trackId: 't', state: 'over' },
      plan: { asked: { question }, kept: i },
    });
  await client.close();
  const now = await openBook(join(place, 'data'), MIGRATIONS);
  const plans = await now.db.select({ plan: experiments.plan }).from(experiments).orderBy(experiments.id);
  expect(plans.map(({ plan }) => plan)).toEqual([
    { asked: { question: 'discriminate' }, kept: 0 },
    { asked: { question: 'jnd' }, kept: 1 },
    { asked: { question: 'explore' }, kept: 2 },
    { asked: { question: 'change' }, kept: 3 },
  ]);
  await now.close();
  rmSync(place, { recursive: true });
});

it('refuses a book that a newer program has written, and leaves it alone', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'pebble-newer-'));
  const book = await openBook(folder, MIGRATIONS, { from: emptyBook() });
  await book.db.execute(
    sql`insert into drizzle.__drizzle_migrations (hash, created_at) values ('later', 99999999999999)`,
  );
  await book.close();
  await expect(openBook(folder, MIGRATIONS)).rejects.toThrow(NewerBook);
  await expect(openBook(folder, MIGRATIONS)).rejects.toThrow(/newer Pebble Road/);
  rmSync(folder, { recursive: true });
});
