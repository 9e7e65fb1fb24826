import { getTableColumns } from 'drizzle-orm';
import type { PgColumn, PgTable } from 'drizzle-orm/pg-core';
import { captureFile, rideFile, type BookDocument } from '@/core/formats/bookJson';
import {
  answers,
  captureParts,
  captures,
  changes,
  combinations,
  experiments,
  facts,
  ownDialects,
  proofs,
  ratings,
  rideParts,
  rides,
  rigs,
  sealedOrders,
  ticks,
  trials,
} from './schema';

/** A table whose rows the document of a backup lists. */
export interface BookRecord {
  /** What the list is called there. */
  name: Exclude<keyof BookDocument, 'madeAtMs'>;
  table: PgTable;
  /** Its column that says when something was; the document writes it in milliseconds, with `Ms` behind its name. */
  moment: string | null;
  /** Columns that put its rows in an order that does not depend on where they lie. */
  order: readonly string[];
  /** A column that the document leaves out: what the book makes by itself. */
  without?: string;
  /** The file beside the document that holds a row's samples. */
  file?(id: string): string;
}

/** Each after those that it points to. A new one is an entry here: saving, restoring, dating and moving read it. */
export const RECORDS: readonly BookRecord[] = [
  { name: 'rigs', table: rigs, moment: 'createdAt', order: ['createdAt', 'id'] },
  { name: 'facts', table: facts, moment: null, order: ['key'] },
  {
    name: 'combinations',
    table: combinations,
    moment: 'openedAt',
    order: ['rigId', 'titleId', 'carId', 'driver', 'branch'],
  },
  { name: 'ticks', table: ticks, moment: 'at', order: ['rigId', 'titleId', 'itemId'] },
  { name: 'proofs', table: proofs, moment: 'at', order: ['at', 'id'] },
  { name: 'changes', table: changes, moment: 'at', order: ['seq'], without: 'seq' },
  { name: 'ownDialects', table: ownDialects, moment: 'at', order: ['at', 'id'] },
  {
    name: 'captures',
    table: captures,
    moment: 'madeAt',
    order: ['madeAt', 'id'],
    without: 'analysis',
    file: captureFile,
  },
  { name: 'rides', table: rides, moment: 'at', order: ['at', 'id'], file: rideFile },
  { name: 'experiments', table: experiments, moment: 'at', order: ['at', 'id'] },
  { name: 'trials', table: trials, moment: 'at', order: ['at', 'id'] },
  { name: 'answers', table: answers, moment: 'at', order: ['experimentId', 'place'] },
  { name: 'ratings', table: ratings, moment: null, order: ['experimentId', 'place', 'dimension'] },
];

/** Every table of a book; samples come after what they belong to. What is sealed moves with the book, and into no backup. */
export const TABLES: readonly PgTable[] = [
  ...RECORDS.map(({ table }) => table),
  captureParts,
  rideParts,
  sealedOrders,
];

export function columnOf(table: PgTable, key: string): PgColumn {
  const column = getTableColumns(table)[key];
  if (!column) throw new Error(`there is no column ${key}`);
  return column;
}
