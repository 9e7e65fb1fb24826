import { eq } from 'drizzle-orm';
import { factSchema } from '@/core/formats/factKinds';
import type { Database } from './database';
import { facts } from './schema';

/** A single remembered value by its key; `undefined` where there is none. Its reader checks its shape. */
export async function readFact(db: Database, key: string): Promise<unknown> {
  const [row] = await db.select().from(facts).where(eq(facts.key, key));
  return row?.value;
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
