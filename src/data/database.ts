import type { PgDatabase } from 'drizzle-orm/pg-core';
import type { PgliteQueryResultHKT } from 'drizzle-orm/pglite';
import * as schema from './schema';

/** A book, or a transaction on it. */
export type Database = PgDatabase<PgliteQueryResultHKT, typeof schema>;
