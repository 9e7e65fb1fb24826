import { getTableColumns } from 'drizzle-orm';
import type { PgColumn, PgTable } from 'drizzle-orm/pg-core';
import type { BookDocument } from '@/core/formats/bookJson';
import {
  captureParts,
  captures,
  changes,
  combinations,
  facts,
  ownDialects,
  proofs,
  rideParts,
  rides,
  rigs,
  ticks,
} from './schema';

/** A table whose rows the document of a backup lists. */
export interface BookRecord {
  /** What the list is called there. */
  name: Exclude<keyof BookDocument, 'format' | 'version' | 'madeAtMs'>;
  table: PgTable;
  /** Its column that says when something was; the document writes it in milliseconds, with `Ms` behind its name. */
  moment: string | null;
}

/** Each after those that it points to. A new one is an entry here: restoring, dating and moving read it. */
export const RECORDS: readonly BookRecord[] = [
  { name: 'rigs', table: rigs, moment: 'createdAt' },
  { name: 'facts', table: facts, moment: null },
  { name: 'combinations', table: combinations, moment: 'openedAt' },
  { name: 'ticks', table: ticks, moment: 'at' },
  { name: 'proofs', table: proofs, moment: 'at' },
  { name: 'changes', table: changes, moment: 'at' },
  { name: 'ownDialects', table: ownDialects, moment: 'at' },
  { name: 'captures', table: captures, moment: 'madeAt' },
  { name: 'rides', table: rides, moment: 'at' },
];

/** Every table of a book; samples come after what they belong to. */
export const TABLES: readonly PgTable[] = [...RECORDS.map(({ table }) => table), captureParts, rideParts];

export function columnOf(table: PgTable, key: string): PgColumn {
  const column = getTableColumns(table)[key];
  if (!column) throw new Error(`there is no column ${key}`);
  return column;
}
