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

type Row = typeof ownDialects.$inferSelect;

/** Everything that was described, in the order in which it was; of one kind, or of all. */
const described = (db: Database, kind?: Kind): Promise<Row[]> =>
  db
    .select()
    .from(ownDialects)
    .where(kind && eq(ownDialects.kind, kind))
    .orderBy(asc(ownDialects.at), asc(ownDialects.id));

const ownTitle = ({ id, document }: Row): OwnTitle => ({ id, ...ownTitleSchema.parse(document) });
const ownCar = ({ id, document }: Row): OwnCar => ({ id, ...describedCarSchema.parse(document) });
const ownRoad = ({ id, document }: Row): OwnRoad => ({ id, ...describedTrackSchema.parse(document) });

export const listOwnTitles = async (db: Database) => (await described(db, 'title')).map(ownTitle);
export const listOwnCars = async (db: Database) => (await described(db, 'car')).map(ownCar);
export const listOwnRoads = async (db: Database) => (await described(db, 'track')).map(ownRoad);

/** Every title, car and road that can be driven: the catalogue's and the driver's own. */
export async function listTitles(db: Database): Promise<Titles> {
  const rows = await described(db);
  const of = (kind: Kind) => rows.filter((row) => row.kind === kind);
  return new Titles(
    of('title').map(ownTitle),
    of('car').map(ownCar).map(carFromOwn),
    of('track').map(ownRoad).map(roadFromOwn),
  );
}

export async function saveOwnCar(db: Database, { id, ...car }: OwnCar): Promise<void> {
  await save(db, 'car', id, describedCarSchema.parse(car));
}

export async function saveOwnTitle(db: Database, { id, ...title }: OwnTitle): Promise<void> {
  await save(db, 'title', id, ownTitleSchema.parse(title));
}

export async function saveOwnRoad(db: Database, { id, ...road }: OwnRoad): Promise<void> {
  await save(db, 'track', id, describedTrackSchema.parse(road));
}

/** A new one, or the same one described anew. */
async function save(db: Database, kind: Kind, id: string, document: object): Promise<void> {
  await db
    .insert(ownDialects)
    .values({ id, kind, at: new Date(), document })
    .onConflictDoUpdate({ target: ownDialects.id, set: { document } });
}
