import { asc, eq } from 'drizzle-orm';
import { Titles, type OwnTitle } from '@/catalog/ownTitle';
import { carFromOwn, type OwnCar } from '@/catalog/ownCar';
import { describedCarSchema } from '@/core/formats/ownCarJson';
import { ownTitleSchema } from '@/core/formats/ownTitleJson';
import type { Database } from './database';
import { ownDialects } from './schema';

async function rowsOf(db: Database, kind: 'title' | 'car') {
  return db
    .select()
    .from(ownDialects)
    .where(eq(ownDialects.kind, kind))
    .orderBy(asc(ownDialects.at), asc(ownDialects.id));
}

export async function listOwnTitles(db: Database): Promise<OwnTitle[]> {
  const rows = await rowsOf(db, 'title');
  return rows.map((row) => ({ id: row.id, ...ownTitleSchema.parse(row.document) }));
}

export async function listOwnCars(db: Database): Promise<OwnCar[]> {
  const rows = await rowsOf(db, 'car');
  return rows.map((row) => ({ id: row.id, ...describedCarSchema.parse(row.document) }));
}

/** Every title and car that can be driven: the catalogue's and the driver's own. */
export async function listTitles(db: Database): Promise<Titles> {
  const [titles, cars] = await Promise.all([listOwnTitles(db), listOwnCars(db)]);
  return new Titles(titles, cars.map(carFromOwn));
}

export async function saveOwnCar(db: Database, { id, ...described }: OwnCar): Promise<void> {
  const document = describedCarSchema.parse(described);
  await db
    .insert(ownDialects)
    .values({ id, kind: 'car', at: new Date(), document })
    .onConflictDoUpdate({ target: ownDialects.id, set: { document } });
}

export async function saveOwnTitle(db: Database, { id, ...described }: OwnTitle): Promise<void> {
  const document = ownTitleSchema.parse(described);
  await db
    .insert(ownDialects)
    .values({ id, kind: 'title', at: new Date(), document })
    .onConflictDoUpdate({ target: ownDialects.id, set: { document } });
}
