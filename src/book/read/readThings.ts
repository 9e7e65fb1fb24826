import 'server-only';
import { ownCarId } from '@/catalog/ownCar';
import { ownRoadId } from '@/catalog/ownRoad';
import { ownTitleId } from '@/catalog/ownTitle';
import { database } from '@/data/book';
import { listOwnCars, listOwnRoads, listOwnTitles } from '@/data/ownTitles';
import type { OwnThings } from '../model/ownThings';

/** Everything that the driver described, whole, with the ids under which the book knows it. */
export async function readThings(base: OwnThings['base']): Promise<OwnThings> {
  const db = await database();
  const [titles, cars, roads] = await Promise.all([listOwnTitles(db), listOwnCars(db), listOwnRoads(db)]);
  const apart = <T extends { id: string }>(all: T[], idOf: (id: string) => string) =>
    all.map(({ id, ...document }) => ({ id: idOf(id), document }));
  return {
    titles: apart(titles, ownTitleId),
    cars: apart(cars, ownCarId),
    roads: apart(roads, ownRoadId),
    base,
  };
}
