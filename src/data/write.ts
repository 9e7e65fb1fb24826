import type { Database } from './database';

/** What a write did: changed something, or put another book in the place of this one. */
export type Written = 'written' | 'replaced';

/** A book that other programs write to as well. */
export interface SharedBook {
  /** One transaction; what is thrown inside takes it back. */
  transaction<T>(work: (inside: Database) => Promise<T>): Promise<T>;
  /** Waits until nobody else writes; first of all inside a transaction. */
  begin(inside: Database): Promise<void>;
  /** Tells the others, once the transaction is over. */
  end(inside: Database, what: Written): Promise<void>;
  /** Does something again while the connection is lost, as long as it may be done again. */
  again<T>(work: () => Promise<T>, mayAgain: () => boolean): Promise<T>;
}

/** Memory per process; Next bundles modules more than once, so it hangs on the global object. */
const place = globalThis as typeof globalThis & {
  pebbleWrites?: WeakMap<Database, Promise<unknown>>;
  pebbleRoots?: WeakMap<Database, Database>;
  pebbleShared?: WeakMap<Database, SharedBook>;
};
const writes = (place.pebbleWrites ??= new WeakMap<Database, Promise<unknown>>());
const roots = (place.pebbleRoots ??= new WeakMap<Database, Database>());
const shared = (place.pebbleShared ??= new WeakMap<Database, SharedBook>());

export function shareWrites(db: Database, book: SharedBook): void {
  shared.set(db, book);
}

/** Whether other programs write to a book as well: what is remembered of it may be older than it. */
export function isShared(db: Database): boolean {
  return shared.has(rootOf(db));
}

/**
 * Does something with a book in one transaction, after everything that was asked before it: what is checked inside still
 * holds when it is written, and of commands that come at once each sees what those before it did.
 * Where `work` throws or answers `{ ok: false }` nothing is written. Inside, only the given handle may be used: the book
 * itself waits for the end.
 */
export function write<T>(
  db: Database,
  work: (inside: Database) => Promise<T>,
  what: Written = 'written',
): Promise<T> {
  const before = writes.get(db) ?? Promise.resolve();
  const mine = before.then(() => written(db, work, what));
  writes.set(
    db,
    mine.catch(() => undefined),
  );
  return mine;
}

/** Beside other programs: one of all writes at a time, and again where the connection was lost before it was done. */
function written<T>(db: Database, work: (inside: Database) => Promise<T>, what: Written): Promise<T> {
  const book = shared.get(db);
  if (!book) return transaction(db, work);
  // Once everything was said, the server may have done it although its answer was lost.
  let isSaid = false;
  const once = () =>
    transaction(db, async (inside) => {
      await book.begin(inside);
      const answer = await work(inside);
      if (isRefusal(answer)) return answer;
      await book.end(inside, what);
      isSaid = true;
      return answer;
    });
  return book.again(once, () => !isSaid);
}

/** What refused to be done takes back whatever it had written. */
class Refusal extends Error {
  constructor(readonly answer: unknown) {
    super('refused');
  }
}

async function transaction<T>(db: Database, work: (inside: Database) => Promise<T>): Promise<T> {
  try {
    const run = shared.get(db)?.transaction ?? ((inside) => db.transaction(inside));
    return await run<T>(async (inside) => {
      roots.set(inside, db);
      const answer = await work(inside);
      if (isRefusal(answer)) throw new Refusal(answer);
      return answer;
    });
  } catch (error) {
    if (error instanceof Refusal) return error.answer as T;
    throw error;
  }
}

function isRefusal(answer: unknown): boolean {
  return typeof answer === 'object' && answer !== null && 'ok' in answer && answer.ok === false;
}

/** The book that a transaction is on; a book itself as it is. What never changes is remembered under it. */
export function rootOf(db: Database): Database {
  return roots.get(db) ?? db;
}
