import { asc, getTableColumns } from 'drizzle-orm';
import { bookSchema, type BookDocument } from '@/core/formats/bookJson';
import { storedCapture } from './captures';
import type { Database } from './database';
import { storedRide } from './rides';
import type { SampleSource } from './saveBackup';
import { captures, changes, rides, rigs } from './schema';
import { columnOf, RECORDS, type BookRecord } from './tables';

/** The samples of the recordings in a book. */
export function samplesIn(db: Database): SampleSource {
  return async (kind, id) => {
    const stored = await (kind === 'capture' ? storedCapture(db, id) : storedRide(db, id));
    return stored && stored.parts;
  };
}

/** Everything but the samples, in an order that does not depend on where a row lies. */
export async function bookDocument(db: Database, nowMs: number): Promise<BookDocument> {
  const lists = await Promise.all(
    RECORDS.map(async (record) => [record.name, await listOf(db, record)] as const),
  );
  return bookSchema.parse({ madeAtMs: nowMs, ...Object.fromEntries(lists) });
}

/** The rows of a table as the document lists them. */
async function listOf(db: Database, { table, moment, order, without, file }: BookRecord) {
  const columns = Object.fromEntries(
    Object.entries(getTableColumns(table)).filter(([name]) => name !== without),
  );
  const rows = await db
    .select(columns)
    .from(table)
    .orderBy(...order.map((name) => asc(columnOf(table, name))));
  return rows.map((row: Record<string, unknown>) => {
    const { [moment ?? '']: at, ...rest } = row;
    return {
      ...rest,
      ...(moment === null ? {} : { [`${moment}Ms`]: (at as Date).getTime() }),
      ...(file ? { file: file(String(row['id'])) } : {}),
    };
  });
}

/** How many rows of each kind the book holds. */
export async function bookCounts(db: Database): Promise<BookCounts> {
  const count = async (table: typeof rigs | typeof captures | typeof rides | typeof changes) =>
    db.$count(table);
  const [rig, capture, ride, change] = await Promise.all([rigs, captures, rides, changes].map(count));
  return { rigs: rig!, captures: capture!, rides: ride!, changes: change! };
}

export interface BookCounts {
  rigs: number;
  captures: number;
  rides: number;
  changes: number;
}
