// Books that tests begin with, made once for each state of what they are made by.
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { bundle, cache } from './bundle.mjs';
import { root } from './run.mjs';
import { hashOf } from './sources.mjs';
import { ensureWorkers } from './workers.mjs';

const HOW = ['src/book/testing/makeBooks.ts', 'drizzle'];
const MADE_BY = [...HOW, 'src/core', 'src/catalog', 'src/data', 'package-lock.json'];
const books = join(cache, 'books');

/**
 * @param isExact whether those of an earlier state of the sources will not do; a single test takes what is there
 * @returns the folder in which they lie; a test works on a copy
 */
export async function ensureBooks({ isExact }) {
  // The demo tells of the last eleven weeks: a day later it is made anew.
  const kind = `${new Date().toISOString().slice(0, 10)}-${hashOf(HOW).slice(0, 12)}`;
  const folder = join(books, `${kind}-${hashOf(MADE_BY).slice(0, 12)}`);
  if (existsSync(folder)) return folder;
  const earlier = existsSync(books) && readdirSync(books).find((name) => name.startsWith(kind));
  if (earlier && !earlier.includes('.') && !isExact) return join(books, earlier);
  rmSync(books, { force: true, recursive: true });
  await ensureWorkers();
  const fresh = `${folder}.${process.pid}`;
  rmSync(fresh, { force: true, recursive: true });
  const made = spawn(
    process.execPath,
    [
      await bundle('src/book/testing/makeBooks.ts', 'makeBooks', {
        conditions: ['react-server'],
        // The database looks for its own files beside itself.
        external: ['@electric-sql/pglite'],
      }),
      fresh,
    ],
    { cwd: root, stdio: ['ignore', 'ignore', 'inherit'] },
  );
  const [status] = await once(made, 'exit');
  if (status !== 0) process.exit(status ?? 1);
  renameSync(fresh, folder);
  return folder;
}
