import { getTableName, sql } from 'drizzle-orm';
import { forgetChanges } from '@/data/changes';
import { TABLES } from '@/data/tables';
import { countWrite } from '../read/cachedUntilWrite';
import { forgetMemos } from '../read/memo';
import { bookForTests, bookFrom, type BookName } from '@/data/testing/bookForTests';
import type { Book } from '@/data/openBook';
import type { Database } from '@/data/database';

const place = globalThis as typeof globalThis & { pebbleBook?: Promise<Book> };

/**
 * A book that actions and routes take for the open one while the tests of a file run.
 * @param begins how it is filled in memory, or the name of one that is made already
 * @param isEach whether every test begins with it again
 */
export function bookInMemory(
  begins: BookName | ((db: Database) => Promise<unknown>) = () => Promise.resolve(),
  isEach = false,
) {
  let book: Book;
  const open = async () => {
    book = await (typeof begins === 'string' ? bookFrom(begins) : bookForTests());
    place.pebbleBook = Promise.resolve(book);
    if (typeof begins !== 'string') await begins(book.db);
  };
  const close = async () => {
    delete place.pebbleBook;
    await book.close();
  };
  beforeAll(open);
  if (isEach) {
    beforeAll(() => keepTables(book.db));
    beforeEach(() => backToKept(book.db));
  }
  afterAll(close);
  return {
    /** Begins anew, as another book that holds the same would. */
    again: () => backToKept(book.db),
    get book() {
      return book;
    },
    get db() {
      return book.db;
    },
  };
}

const NAMES = TABLES.map(getTableName);

/** Puts a copy of every table aside: to begin with it again is quicker than to open another book. */
async function keepTables(db: Database): Promise<void> {
  await db.execute(sql`create schema kept`);
  for (const name of NAMES) await db.execute(sql.raw(`create table kept.${name} as table ${name}`));
}

async function backToKept(db: Database): Promise<void> {
  await db.execute(sql.raw(`truncate ${NAMES.join(', ')}`));
  for (const name of NAMES) await db.execute(sql.raw(`insert into ${name} table kept.${name}`));
  forgetMemos(db);
  forgetChanges(db);
  countWrite();
}
