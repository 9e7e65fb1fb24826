import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite, types } from '@electric-sql/pglite';
import { sql } from 'drizzle-orm';
import type { PgDatabase } from 'drizzle-orm/pg-core';
import { drizzle, type PgliteQueryResultHKT } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { lockFolder } from './folderLock';
import * as schema from './schema';

/** A book, or a transaction on it. */
export type Database = PgDatabase<PgliteQueryResultHKT, typeof schema>;

export interface Book {
  db: Database;
  close(): Promise<void>;
}

/** The book was written by a newer Pebble Road. */
export class NewerBook extends Error {
  constructor(folder: string) {
    super(
      `The book in ${folder} was written by a newer Pebble Road. Update this one, or set PEBBLE_DATA to another folder. Nothing was changed.`,
    );
  }
}

/** The default serializer of `bytea` is slow and runs out of memory on large values; hex does not. */
const byteaAsHex = {
  serializers: { [types.BYTEA]: (value: Uint8Array) => `\\x${Buffer.from(value).toString('hex')}` },
  parsers: { [types.BYTEA]: (value: string) => new Uint8Array(Buffer.from(value.slice(2), 'hex')) },
};

/**
 * Opens the book in a folder, makes this process its owner and brings its schema up to date.
 * @param folder where the data lives; `null` keeps it in memory, for tests
 * @param migrations the folder of SQL migrations
 */
export async function openBook(folder: string | null, migrations: string): Promise<Book> {
  const unlock = folder === null ? () => undefined : lockFolder(folder);
  try {
    const client = await PGlite.create({
      ...(folder === null ? {} : { dataDir: join(/* turbopackIgnore: true */ folder, 'book') }),
      ...byteaAsHex,
    });
    const db = drizzle({ client, schema });
    if (await isNewer(db, migrations)) {
      await client.close();
      throw new NewerBook(folder ?? 'memory');
    }
    await migrate(db, { migrationsFolder: migrations });
    return {
      db,
      async close() {
        if (!client.closed) await client.close();
        unlock();
      },
    };
  } catch (error) {
    unlock();
    throw error;
  }
}

/** Whether the book has seen a migration later than the last one we know. */
async function isNewer(db: Database, migrations: string): Promise<boolean> {
  const journal = JSON.parse(
    readFileSync(join(/* turbopackIgnore: true */ migrations, 'meta', '_journal.json'), 'utf8'),
  ) as { entries: { when: number }[] };
  const newestKnown = Math.max(...journal.entries.map((entry) => entry.when));
  const table = await db.execute(sql`select to_regclass('drizzle.__drizzle_migrations') as name`);
  if (!table.rows[0]?.['name']) return false;
  const last = await db.execute(sql`select max(created_at) as at from drizzle.__drizzle_migrations`);
  return Number(last.rows[0]?.['at'] ?? 0) > newestKnown;
}
