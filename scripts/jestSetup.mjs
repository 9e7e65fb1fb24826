// Runs once before the unit tests: what they need that is made and not written.
import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBooks } from './books.mjs';
import { cache } from './bundle.mjs';
import { ensurePageWorkers } from './pageWorkers.mjs';
import { root } from './run.mjs';
import { hashOf } from './sources.mjs';
import { ensureWorkers } from './workers.mjs';

export default async function jestSetup() {
  await ensureWorkers();
  await ensureTemplates();
  process.env.PEBBLE_BOOKS = await ensureBooks({ isExact: process.env.PEBBLE_WHOLE === '1' });
  process.env.PEBBLE_PAGE_WORKERS = await ensurePageWorkers();
}

/** An empty database as an archive, and one with the tables of a book: to make them from nothing takes seconds. */
async function ensureTemplates() {
  const stamp = join(cache, 'templates.version');
  const made = hashOf(['drizzle', 'node_modules/@electric-sql/pglite/package.json']);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === made) return;
  const { PGlite } = await import('@electric-sql/pglite');
  const { drizzle } = await import('drizzle-orm/pglite');
  const { migrate } = await import('drizzle-orm/pglite/migrator');
  const client = await PGlite.create();
  const save = async (name) => {
    const archive = await client.dumpDataDir('none');
    const fresh = join(cache, `${name}.${process.pid}`);
    writeFileSync(fresh, Buffer.from(await archive.arrayBuffer()));
    renameSync(fresh, join(cache, name));
  };
  await save('empty-database.tar');
  await migrate(drizzle({ client }), { migrationsFolder: join(root, 'drizzle') });
  await save('empty-book.tar');
  await client.close();
  writeFileSync(stamp, made);
}
