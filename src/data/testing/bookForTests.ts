import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import { openBook, type Book } from '../openBook';
import { openServerBook } from '../serverBook';

/** Made once before the tests (scripts/jestSetup.mjs): to make a database from nothing takes seconds. */
const TEMPLATE = join(process.cwd(), 'node_modules', '.cache', 'pebble-road', 'empty-database.tar');

export const MIGRATIONS = join(process.cwd(), 'drizzle');
export const emptyDatabase = () => new Blob([readFileSync(TEMPLATE)]);

/** Where the same tests run on a server (jest.config.mjs), its address; nothing where a book is in memory. */
const SERVER = process.env['PEBBLE_TEST_ON_SERVER'] === '1' ? process.env['TEST_DATABASE_URL'] : undefined;
export const isOnServer = SERVER !== undefined;

/**
 * How often a property is tried: what it says of the program was found out in memory already, so that a server, which
 * is slower to ask, is asked a quarter as often.
 */
export const tries = (inMemory: number) => (isOnServer ? Math.ceil(inMemory / 4) : inMemory);

/** An empty book in memory, or in a database of its own on the server. */
export function bookForTests(): Promise<Book> {
  return SERVER ? serverBookForTests(SERVER) : openBook(null, MIGRATIONS, { from: emptyDatabase() });
}

let databases = 0;

async function serverBookForTests(server: string): Promise<Book> {
  const { url, drop } = await databaseForTests(server);
  const book = await openServerBook(url, MIGRATIONS);
  return {
    ...book,
    async close() {
      await book.close();
      await drop();
    },
  };
}

/** An empty database of a server. */
export async function databaseForTests(server: string) {
  const name = `pebble_test_${process.pid}_${++databases}`;
  const ask = async (text: string) => {
    const admin = new pg.Client({ connectionString: server });
    await admin.connect();
    await admin.query(text);
    await admin.end();
  };
  await ask(`create database ${name}`);
  const url = new URL(server);
  url.pathname = `/${name}`;
  return { url: url.href, drop: () => ask(`drop database ${name} with (force)`) };
}
