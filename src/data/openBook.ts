import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite, types, type PGliteOptions } from '@electric-sql/pglite';
import { sql } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import {
  BookDamaged,
  BookNotBegun,
  bookPath,
  BookRefused,
  FolderUnwritable,
  markWhole,
  prepareFolder,
  setAside,
  tryToWrite,
  unwritable,
} from './bookFolder';
import { lockFolder } from './folderLock';
import { incomingBook, removeIncoming, type IncomingBook } from './incomingBook';
import * as schema from './schema';
import type { Database } from './database';
import type { Written } from './write';

export interface Book {
  db: Database;
  /** Tells when another program wrote to it; a book in a folder has one owner. */
  onWritten(listener: (what: Written) => void): void;
  /** Begins another book beside this one, to be filled and to take its place. */
  incoming(): Promise<IncomingBook>;
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
 * Opens the database. Of every array type that it knows it made a parser, and copies all of them at each query: three
 * hundred of them took a third of a small query's time, and the book has no arrays.
 */
async function openClient(options: PGliteOptions): Promise<PGlite> {
  const client = await PGlite.create({ ...options, ...byteaAsHex });
  client.parsers = { ...types.parsers, ...byteaAsHex.parsers };
  return client;
}

export interface OpenOptions {
  /** A book that cannot be opened is moved aside, and an empty one begun; is told where it went. */
  movedAside?(to: string): void;
  /** A new book begins with this empty database, in place of making one from nothing. */
  from?: Blob;
}

/**
 * Opens the book in a folder, makes this process its owner and brings its schema up to date.
 * @param folder where the data lives; `null` keeps it in memory, for tests
 * @param migrations the folder of SQL migrations
 * @throws {FolderInUse} {@link BookRefused} {@link NewerBook} in words for who started the program
 */
export async function openBook(
  folder: string | null,
  migrations: string,
  { movedAside, from }: OpenOptions = {},
): Promise<Book> {
  if (folder === null) {
    const client = await openClient(from ? { loadDataDir: from } : {});
    return openDatabase(client, 'memory', migrations);
  }
  const unlock = await lockOrSay(folder);
  const open = async () => {
    const book = await openIn(folder, migrations, from);
    return {
      ...book,
      async close() {
        await book.close();
        await unlock();
      },
    };
  };
  try {
    return await open();
  } catch (error) {
    const isLost = error instanceof BookRefused && !(error instanceof FolderUnwritable);
    if (isLost && movedAside) {
      movedAside(setAside(folder) ?? folder);
      return await open().catch((again: unknown) => free(unlock, again));
    }
    return await free(unlock, error);
  }
}

async function free(unlock: () => Promise<void>, error: unknown): Promise<never> {
  await unlock();
  throw error;
}

async function lockOrSay(folder: string) {
  try {
    return await lockFolder(folder);
  } catch (error) {
    if (unwritable(error)) throw new FolderUnwritable(folder, error);
    throw error;
  }
}

async function openIn(folder: string, migrations: string, from?: Blob): Promise<Book> {
  const { isNew } = prepareFolder(folder);
  let client: PGlite;
  try {
    client = await openClient({
      dataDir: bookPath(folder),
      ...(isNew && from ? { loadDataDir: from } : {}),
    });
  } catch (error) {
    // The database does not always say why: a disk that takes nothing is no broken book.
    tryToWrite(folder);
    if (unwritable(error)) throw new FolderUnwritable(folder, error);
    throw isNew
      ? new BookNotBegun(folder, error)
      : new BookDamaged(folder, 'the database finds its log or its control file broken, and stops');
  }
  try {
    const book = await openDatabase(client, folder, migrations);
    if (isNew) markWhole(folder);
    return book;
  } catch (error) {
    await client.close().catch(() => undefined);
    if (!(error instanceof NewerBook)) tryToWrite(folder);
    if (unwritable(error)) throw new FolderUnwritable(folder, error);
    if (error instanceof NewerBook || isNew) throw error;
    throw new BookDamaged(folder, 'its tables cannot be read');
  }
}

async function openDatabase(client: PGlite, where: string, migrations: string): Promise<Book> {
  const db = drizzle({ client, schema });
  if (await isNewer(db, migrations)) throw new NewerBook(where);
  await migrate(db, { migrationsFolder: migrations });
  await removeIncoming(client);
  await client.exec(RIDELESS);
  return {
    db,
    onWritten: () => undefined,
    incoming: () => incomingBook(client, db, migrations),
    async close() {
      if (!client.closed) await client.close();
    },
  };
}

/** Samples of a ride whose writing was cut off. */
export const RIDELESS = 'delete from ride_parts where ride_id not in (select id from rides)';

/** Whether the book has seen a migration later than the last one we know. */
export async function isNewer(db: Database, migrations: string): Promise<boolean> {
  const journal = JSON.parse(
    readFileSync(join(/* turbopackIgnore: true */ migrations, 'meta', '_journal.json'), 'utf8'),
  ) as { entries: { when: number }[] };
  const newestKnown = Math.max(...journal.entries.map((entry) => entry.when));
  const table = await db.execute(sql`select to_regclass('drizzle.__drizzle_migrations') as name`);
  if (!table.rows[0]?.['name']) return false;
  const last = await db.execute(sql`select max(created_at) as at from drizzle.__drizzle_migrations`);
  return Number(last.rows[0]?.['at'] ?? 0) > newestKnown;
}
