import { eq, inArray } from 'drizzle-orm';
import { factSchema } from '@/core/formats/factKinds';
import type { Database } from './database';
import { facts } from './schema';

type Values = Promise<ReadonlyMap<string, unknown>>;
/** What is being asked for, of each book. */
const asking = new WeakMap<Database, { keys: string[]; values: Values }>();

/** A single remembered value by its key; `undefined` where there is none. Its reader checks its shape. */
export async function readFact(db: Database, key: string): Promise<unknown> {
  return (await together(db, key)).get(key);
}

/** What is asked for at once is one question to the database: a page asks for half a dozen. */
function together(db: Database, key: string): Values {
  const known = asking.get(db);
  if (known) {
    known.keys.push(key);
    return known.values;
  }
  const keys = [key];
  const values = Promise.resolve().then(async () => {
    asking.delete(db);
    const rows = await db.select().from(facts).where(inArray(facts.key, keys));
    return new Map(rows.map((row) => [row.key, row.value]));
  });
  asking.set(db, { keys, values });
  return values;
}

/** Remembers a value under a key; `null` forgets it. */
export async function writeFact(db: Database, key: string, value: unknown): Promise<void> {
  if (value === null) {
    await db.delete(facts).where(eq(facts.key, key));
    return;
  }
  factSchema.parse({ key, value });
  await db.insert(facts).values({ key, value }).onConflictDoUpdate({ target: facts.key, set: { value } });
}
