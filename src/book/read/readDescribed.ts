import 'server-only';
import { ownCarId } from '@/catalog/ownCar';
import { ownRoadId } from '@/catalog/ownRoad';
import { ownTitleId } from '@/catalog/ownTitle';
import { database } from '@/data/book';
import { listOwnCars, listOwnRoads, listOwnTitles, listTitles } from '@/data/ownTitles';
import type { DescribedThings } from '../model/describedThings';

/**
 * Titles, cars and roads of the driver's own by name, and the one that is described anew.
 * @param wanted its id; `null` where something new is described
 */
export async function readDescribed(wanted: string | null): Promise<DescribedThings> {
  const db = await database();
  const [titles, cars, roads, { all }] = await Promise.all([
    listOwnTitles(db),
    listOwnCars(db),
    listOwnRoads(db),
    listTitles(db),
  ]);
  const title = titles.find(({ id }) => ownTitleId(id) === wanted);
  const car = cars.find(({ id }) => ownCarId(id) === wanted);
  const road = roads.find(({ id }) => ownRoadId(id) === wanted);
  const documentOf = <T extends { id: string }>({ id: _, ...document }: T) => document;
  return {
    titles: titles.map(({ id, name }) => ({ id: ownTitleId(id), name })),
    cars: cars.map(({ id, name }) => ({ id: ownCarId(id), name })),
    roads: roads.map(({ id, name }) => ({ id: ownRoadId(id), name })),
    copies: all.map(({ id, name }) => ({ id, name })),
    title: title ? { id: ownTitleId(title.id), document: documentOf(title) } : null,
    road: road ? { id: ownRoadId(road.id), document: documentOf(road) } : null,
    car: car ? { ...car, id: ownCarId(car.id) } : null,
  };
}
