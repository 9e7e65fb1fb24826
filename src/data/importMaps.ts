import { chosenColumnsSchema, type ChosenColumns } from '@/core/import/rideUnits';
import { readFact, writeFact } from './facts';
import type { Database } from './database';

const keyOf = (source: string) => `import/${source}`;

/** What a driver said of the columns of a source before; `null` where it is new. */
export async function importMapOf(db: Database, source: string): Promise<ChosenColumns | null> {
  const read = chosenColumnsSchema.safeParse(await readFact(db, keyOf(source)));
  return read.success ? read.data : null;
}

export async function rememberImportMap(db: Database, source: string, value: ChosenColumns): Promise<void> {
  await writeFact(db, keyOf(source), value);
}
