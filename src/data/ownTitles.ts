import { asc, eq } from 'drizzle-orm';
import { Titles, type OwnTitle } from '@/catalog/ownTitle';
import { ownTitleSchema } from '@/core/formats/ownTitleJson';
import type { Database } from './database';
import { ownDialects } from './schema';

export async function listOwnTitles(db: Database): Promise<OwnTitle[]> {
  const rows = await db
    .select()
    .from(ownDialects)
    .where(eq(ownDialects.kind, 'title'))
    .orderBy(asc(ownDialects.at), asc(ownDialects.id));
  return rows.map((row) => ({ id: row.id, ...ownTitleSchema.parse(row.document) }));
}

/** Every title that can be driven: the catalogue's and the driver's own. */
export async function listTitles(db: Database): Promise<Titles> {
  return new Titles(await listOwnTitles(db));
}

export async function saveOwnTitle(db: Database, { id, ...described }: OwnTitle): Promise<void> {
  const document = ownTitleSchema.parse(described);
  await db
    .insert(ownDialects)
    .values({ id, kind: 'title', at: new Date(), document })
    .onConflictDoUpdate({ target: ownDialects.id, set: { document } });
}
