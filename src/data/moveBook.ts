import { createHash } from 'node:crypto';
import { asc, getTableName, sql } from 'drizzle-orm';
import { getTableConfig, type PgColumn, type PgTable } from 'drizzle-orm/pg-core';
import type { Database } from './database';
import { openBook, type Book } from './openBook';
import { openServerBook } from './serverBook';
import { captureParts, changes, rideParts } from './schema';
import { TABLES } from './tables';
import { write } from './write';

/** Where a book is: a data folder, or a database of a PostgreSQL server. */
export type BookPlace = { folder: string } | { url: string };

export interface Moved {
  /** Rows by table. */
  rows: Record<string, number>;
}

/** So many rows are in memory at a time; those of samples are large. */
const AT_A_TIME = 500;
const SAMPLES_AT_A_TIME = 20;

/**
 * Copies a book to another place, row by row, and compares the two when it is done. The old one stays as it is.
 * @param tell hears table by table how far it is
 * @throws Error in words where the other place holds a book already, or where the two are not equal: then nothing is left there
 */
export async function moveBook(
  from: BookPlace,
  to: BookPlace,
  migrations: string,
  tell: (table: string, rows: number) => void = () => undefined,
): Promise<Moved> {
  const source = await openPlace(from, migrations);
  try {
    const target = await openPlace(to, migrations);
    try {
      return await copyBook(source.db, target.db, tell);
    } finally {
      await target.close();
    }
  } finally {
    await source.close();
  }
}

/** The same of books that are open. All of it or nothing: it is one transaction, and the comparison is inside. */
export function copyBook(
  source: Database,
  target: Database,
  tell: (table: string, rows: number) => void = () => undefined,
): Promise<Moved> {
  return write(target, async (inside) => {
    for (const table of TABLES)
      if ((await inside.$count(table)) > 0)
        throw new Error(
          'There is a book already. Move into an empty database or folder; nothing was changed.',
        );
    const rows: Record<string, number> = {};
    for (const table of TABLES) {
      const name = getTableName(table);
      rows[name] = await copyTable(source, inside, table);
      tell(name, rows[name]);
    }
    // What is added later comes after what was copied.
    await inside.execute(
      sql`select setval(pg_get_serial_sequence('changes', 'seq'), greatest(1, (select max(seq) from ${changes})))`,
    );
    for (const table of TABLES)
      if ((await digest(source, table)) !== (await digest(inside, table)))
        throw new Error(`The table ${getTableName(table)} is not equal in both places. Nothing was changed.`);
    return { rows };
  });
}

function openPlace(place: BookPlace, migrations: string): Promise<Book> {
  return 'url' in place ? openServerBook(place.url, migrations) : openBook(place.folder, migrations);
}

async function copyTable(source: Database, target: Database, table: PgTable): Promise<number> {
  let count = 0;
  for await (const rows of rowsOf(source, table)) {
    await target.insert(table).values(rows);
    count += rows.length;
  }
  return count;
}

/** Rows in the order of the primary key, some at a time. */
async function* rowsOf(db: Database, table: PgTable): AsyncGenerator<Record<string, unknown>[]> {
  const key = keyOf(table);
  const most = table === captureParts || table === rideParts ? SAMPLES_AT_A_TIME : AT_A_TIME;
  for (let offset = 0; ; offset += most) {
    const rows = await db
      .select()
      .from(table)
      .orderBy(...key.map((column) => asc(column)))
      .limit(most)
      .offset(offset);
    if (rows.length > 0) yield rows;
    if (rows.length < most) return;
  }
}

function keyOf(table: PgTable): PgColumn[] {
  const { primaryKeys, columns } = getTableConfig(table);
  return primaryKeys[0]?.columns ?? columns.filter(({ primary }) => primary);
}

/** What a table holds, whatever the order of its rows: servers sort names by their own language. */
async function digest(db: Database, table: PgTable): Promise<string> {
  const hashes: string[] = [];
  for await (const rows of rowsOf(db, table))
    for (const row of rows) hashes.push(createHash('sha256').update(textOf(row)).digest('hex'));
  return createHash('sha256').update(hashes.sort().join('\n')).digest('hex');
}

/** A row as text: dates to the millisecond, bytes as they are, keys of documents in one order. */
function textOf(row: unknown): string {
  return JSON.stringify(row, (_key, value: unknown) => {
    if (value instanceof Uint8Array) return Buffer.from(value).toString('base64');
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return value;
    return Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)));
  });
}
