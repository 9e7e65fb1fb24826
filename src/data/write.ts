import type { Database } from './database';

/** Memory per process; Next bundles modules more than once, so it hangs on the global object. */
const place = globalThis as typeof globalThis & {
  pebbleWrites?: WeakMap<Database, Promise<unknown>>;
  pebbleRoots?: WeakMap<Database, Database>;
};
const writes = (place.pebbleWrites ??= new WeakMap<Database, Promise<unknown>>());
const roots = (place.pebbleRoots ??= new WeakMap<Database, Database>());

/**
 * Does something with a book in one transaction, after everything that was asked before it: what is checked inside still
 * holds when it is written, and of commands that come at once each sees what those before it did.
 * Where `work` throws or answers `{ ok: false }` nothing is written. Inside, only the given handle may be used: the book
 * itself waits for the end.
 */
export function write<T>(db: Database, work: (inside: Database) => Promise<T>): Promise<T> {
  const before = writes.get(db) ?? Promise.resolve();
  const mine = before.then(() => transaction(db, work));
  writes.set(
    db,
    mine.catch(() => undefined),
  );
  return mine;
}

/** What refused to be done takes back whatever it had written. */
class Refusal extends Error {
  constructor(readonly answer: unknown) {
    super('refused');
  }
}

async function transaction<T>(db: Database, work: (inside: Database) => Promise<T>): Promise<T> {
  try {
    return await db.transaction(async (inside) => {
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
