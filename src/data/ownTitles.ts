import { asc, eq } from 'drizzle-orm';
import { Titles, type OwnTitle } from '@/catalog/ownTitle';
import { carFromOwn, type OwnCar } from '@/catalog/ownCar';
import { roadFromOwn, type OwnRoad } from '@/catalog/ownRoad';
import { describedCarSchema } from '@/core/formats/ownCarJson';
import { ownTitleSchema } from '@/core/formats/ownTitleJson';
import { describedTrackSchema } from '@/core/formats/trackJson';
import type { Database } from './database';
import { ownDialects } from './schema';

type Kind = 'title' | 'car' | 'track';

async function rowsOf(db: Database, kind: Kind) {
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

export async function listOwnRoads(db: Database): Promise<OwnRoad[]> {
  const rows = await rowsOf(db, 'track');
  return rows.map((row) => ({ id: row.id, ...describedTrackSchema.parse(row.document) }));
}

/** Every title, car and road that can be driven: the catalogue's and the driver's own. */
export async function listTitles(db: Database): Promise<Titles> {
  const [titles, cars, roads] = await Promise.all([listOwnTitles(db), listOwnCars(db), listOwnRoads(db)]);
  return new Titles(titles, cars.map(carFromOwn), roads.map(roadFromOwn));
}

export async function saveOwnCar(db: Database, { id, ...described }: OwnCar): Promise<void> {
  await save(db, 'car', id, describedCarSchema.parse(described));
}

export async function saveOwnTitle(db: Database, { id, ...described }: OwnTitle): Promise<void> {
  await save(db, 'title', id, ownTitleSchema.parse(described));
}

export async function saveOwnRoad(db: Database, { id, ...described }: OwnRoad): Promise<void> {
  await save(db, 'track', id, describedTrackSchema.parse(described));
}

/** A new one, or the same one described anew. */
async function save(db: Database, kind: Kind, id: string, document: object): Promise<void> {
  await db
    .insert(ownDialects)
    .values({ id, kind, at: new Date(), document })
    .onConflictDoUpdate({ target: ownDialects.id, set: { document } });
}
