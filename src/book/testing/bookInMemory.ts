import { bookForTests } from '@/data/testing/bookForTests';
import type { Book } from '@/data/openBook';
import type { Database } from '@/data/database';

const place = globalThis as typeof globalThis & { pebbleBook?: Promise<Book> };

/** A book in memory that actions and routes take for the open one while the tests of a file run. */
export function bookInMemory(fill: (db: Database) => Promise<unknown> = () => Promise.resolve()) {
  let book: Book;
  beforeAll(async () => {
    book = await bookForTests();
    place.pebbleBook = Promise.resolve(book);
    await fill(book.db);
  });
  afterAll(async () => {
    delete place.pebbleBook;
    await book.close();
  });
  return {
    get book() {
      return book;
    },
    get db() {
      return book.db;
    },
  };
}
