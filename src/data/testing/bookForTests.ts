import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { openBook, type Book } from '../openBook';

/** Made once before the tests (scripts/jestSetup.mjs): to make a database from nothing takes seconds. */
const TEMPLATE = join(process.cwd(), 'node_modules', '.cache', 'pebble-road', 'empty-database.tar');

export const MIGRATIONS = join(process.cwd(), 'drizzle');
export const emptyDatabase = () => new Blob([readFileSync(TEMPLATE)]);

/** An empty book in memory. */
export function bookForTests(): Promise<Book> {
  return openBook(null, MIGRATIONS, { from: emptyDatabase() });
}
