import { cpSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { openBook, type Book } from '../openBook';
import { openServerBook } from '../serverBook';

/** Made once before the tests (scripts/jestSetup.mjs): to make a database from nothing takes seconds. */
const made = (name: string) =>
  new Blob([readFileSync(join(process.cwd(), 'node_modules', '.cache', 'pebble-road', name))]);

export const MIGRATIONS = join(process.cwd(), 'drizzle');
/** A database without a table. */
export const emptyDatabase = () => made('empty-database.tar');
/** One with the tables of a book, and nothing in them. */
export const emptyBook = () => made('empty-book.tar');

/** Where the same tests run on a server (jest.config.mjs), its address; nothing where a book is in memory. */
const SERVER = process.env['PEBBLE_TEST_ON_SERVER'] === '1' ? process.env['TEST_DATABASE_URL'] : undefined;
export const isOnServer = SERVER !== undefined;

/** A property that holds in memory is tried on a server, which is slower to ask, a quarter as often. */
export const onServer = (inMemory: number) => (isOnServer ? Math.ceil(inMemory / 4) : inMemory);

/** An empty book in memory, or in a database of its own on the server. */
export function bookForTests(): Promise<Book> {
  return SERVER ? serverBookForTests(SERVER) : bookFrom('empty');
}

export type BookName = 'empty' | 'begun' | 'few' | 'demo';

/** A copy of a book that was made before the tests (scripts/books.mjs). */
export async function bookFrom(name: BookName): Promise<Book> {
  const folder = mkdtempSync(join(tmpdir(), 'pebble-book-'));
  cpSync(join(process.env['PEBBLE_BOOKS']!, name), folder, { recursive: true });
  const book = await openBook(folder, MIGRATIONS);
  return {
    ...book,
    async close() {
      await book.close();
      rmSync(folder, { recursive: true });
    },
  };
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
