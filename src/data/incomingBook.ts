import type { PGlite } from '@electric-sql/pglite';
import { drizzle } from 'drizzle-orm/pglite';
import { readMigrationFiles } from 'drizzle-orm/migrator';
import { forgetTimes } from './bookTime';
import { yieldToEventLoop } from './yieldToEventLoop';
import { forgetChanges } from './changes';
import type { Database } from './database';
import * as schema from './schema';
import { withMethods } from './withMethods';
import { write } from './write';

/** A book that is made beside the one that is open: filled row by row, read as its pages would, and then put in its place. */
export interface IncomingBook {
  /** Every statement on it is a short transaction of its own: nobody who reads the open book waits for long. */
  db: Database;
  /** Puts it in the place of the open book, whole and at once. */
  take(): Promise<void>;
  /** Throws it away. */
  drop(): Promise<void>;
}

const NEW = 'incoming';
const OLD = 'outgoing';
const OPEN = 'public';

export async function incomingBook(
  client: PGlite,
  open: Database,
  migrations: string,
): Promise<IncomingBook> {
  await removeIncoming(client);
  const inside = withinSchema(client, NEW);
  await client.exec(`create schema ${NEW}`);
  for (const { sql } of readMigrationFiles({ migrationsFolder: migrations }))
    for (const statement of sql) await inside.query(statement.replaceAll(`"${OPEN}".`, `"${NEW}".`));
  return {
    db: drizzle({ client: inside, schema }),
    async take() {
      // In the row of the commands: none of them is cut in two.
      await write(open, async (tx) => {
        await tx.execute(`alter schema ${OPEN} rename to ${OLD}`);
        await tx.execute(`alter schema ${NEW} rename to ${OPEN}`);
      });
      forgetChanges(open);
      forgetTimes(open);
      await removeIncoming(client);
    },
    drop: () => removeIncoming(client),
  };
}

/** Throws away what is no book any more, table by table: each in a moment, however many files the book has. */
export async function removeIncoming(client: PGlite): Promise<void> {
  const tables = await client.query<{ name: string }>(
    `select format('%I.%I', schemaname, tablename) as name from pg_tables where schemaname in ('${NEW}', '${OLD}')`,
  );
  for (const { name } of tables.rows) {
    await client.exec(`set client_min_messages to warning; drop table ${name} cascade`);
    await yieldToEventLoop();
  }
  await client.exec(`set client_min_messages to warning; drop schema if exists ${NEW}, ${OLD} cascade`);
}

/**
 * The same database, seen through another schema: each statement looks up its tables there. Only one of them at a time
 * stands in the database's row, and everybody else has a turn before the next one.
 */
function withinSchema(client: PGlite, name: string): PGlite {
  let last: Promise<unknown> = Promise.resolve();
  const transaction: PGlite['transaction'] = (work) => {
    const mine = last.then(yieldToEventLoop).then(() =>
      client.transaction(async (tx) => {
        await tx.exec(`set local search_path to ${name}`);
        return work(tx);
      }),
    );
    last = mine.catch(() => undefined);
    return mine;
  };
  const query = (...[text, params, options]: Parameters<PGlite['query']>) =>
    transaction((tx) => tx.query(text, params, options));
  return withMethods(client, { transaction, query } as Partial<PGlite>);
}
