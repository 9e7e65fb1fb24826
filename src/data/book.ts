import 'server-only';
import { homedir } from 'node:os';
import { join } from 'node:path';
import { openBook, type Book } from './openBook';
import { openServerBook } from './serverBook';
import type { Database } from './database';

/** One book per process; Next bundles modules more than once, so it hangs on the global object. */
const place = globalThis as typeof globalThis & { pebbleBook?: Promise<Book> };

/** Folder of the data: PEBBLE_DATA, or the user's data folder of this system. */
function dataFolder(): string {
  const named = process.env['PEBBLE_DATA'];
  if (named) return named;
  const home = homedir();
  const base = {
    win32: process.env['LOCALAPPDATA'] ?? join(home, 'AppData', 'Local'),
    darwin: join(home, 'Library', 'Application Support'),
  }[process.platform as string];
  return join(
    /* turbopackIgnore: true */ base ?? process.env['XDG_DATA_HOME'] ?? join(home, '.local', 'share'),
    'pebble-road',
  );
}

function movedAside(to: string) {
  process.stderr.write(
    `What could not be opened was moved to ${to}. An empty book was begun: restore your newest backup under Card.\n`,
  );
}

export function theBook(): Promise<Book> {
  place.pebbleBook ??= (async () => {
    const migrations = join(/* turbopackIgnore: true */ process.cwd(), 'drizzle');
    const url = process.env['DATABASE_URL'];
    if (url) return openServerBook(url, migrations);
    const folder = dataFolder();
    const isAside = process.env['PEBBLE_ASIDE'] === '1';
    return openBook(folder, migrations, isAside ? { movedAside } : {});
  })();
  return place.pebbleBook;
}

export async function database(): Promise<Database> {
  return (await theBook()).db;
}

export async function closeBook(): Promise<void> {
  const book = place.pebbleBook;
  if (!book) return;
  delete place.pebbleBook;
  await (await book).close();
}
