// Runs once before the unit tests: what they need that is made and not written.
import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBooks } from './books.mjs';
import { cache } from './bundle.mjs';
import { ensurePageWorkers } from './pageWorkers.mjs';
import { root } from './run.mjs';
import { ensureWorkers } from './workers.mjs';

export default async function jestSetup() {
  await ensureWorkers();
  await ensureTemplate();
  process.env.PEBBLE_BOOKS = await ensureBooks({ isExact: process.env.PEBBLE_WHOLE === '1' });
  process.env.PEBBLE_PAGE_WORKERS = await ensurePageWorkers();
}

/** An empty database as an archive, one for each version of it. */
async function ensureTemplate() {
  const template = join(cache, 'empty-database.tar');
  const stamp = `${template}.version`;
  const { version } = JSON.parse(
    readFileSync(join(root, 'node_modules', '@electric-sql', 'pglite', 'package.json'), 'utf8'),
  );
  if (existsSync(template) && existsSync(stamp) && readFileSync(stamp, 'utf8') === version) return;
  const { PGlite } = await import('@electric-sql/pglite');
  const database = await PGlite.create();
  const archive = await database.dumpDataDir('none');
  await database.close();
  const fresh = `${template}.${process.pid}`;
  writeFileSync(fresh, Buffer.from(await archive.arrayBuffer()));
  renameSync(fresh, template);
  writeFileSync(stamp, version);
}
