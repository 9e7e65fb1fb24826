import { asc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { Titles, type OwnTitle } from '@/catalog/ownTitle';
import { dialectFieldSchema } from '@/core/formats/dialectJson';
import type { Database } from './openBook';
import { ownDialects } from './schema';

const documentSchema = z.strictObject({
  name: z.string(),
  rotation: z.enum(['direct', 'stretch']),
  fields: z.array(dialectFieldSchema),
  steering: z.array(dialectFieldSchema),
});

export async function listOwnTitles(db: Database): Promise<OwnTitle[]> {
  const rows = await db
    .select()
    .from(ownDialects)
    .where(eq(ownDialects.kind, 'title'))
    .orderBy(asc(ownDialects.at), asc(ownDialects.id));
  return rows.map((row) => ({ id: row.id, ...documentSchema.parse(row.document) }));
}

/** Every title that can be driven: the catalogue's and the driver's own. */
export async function listTitles(db: Database): Promise<Titles> {
  return new Titles(await listOwnTitles(db));
}

export async function saveOwnTitle(db: Database, { id, ...document }: OwnTitle): Promise<void> {
  await db
    .insert(ownDialects)
    .values({ id, kind: 'title', at: new Date(), document })
    .onConflictDoUpdate({ target: ownDialects.id, set: { document } });
}
