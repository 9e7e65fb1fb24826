import 'server-only';
import { ownCarId } from '@/catalog/ownCar';
import { ownTitleId } from '@/catalog/ownTitle';
import { database } from '@/data/book';
import { listOwnCars, listOwnTitles, listTitles } from '@/data/ownTitles';
import type { DescribedThings } from '../model/describedThings';

/**
 * Titles and cars of the driver's own by name, and the one that is described anew.
 * @param wanted its id; `null` where something new is described
 */
export async function readDescribed(wanted: string | null): Promise<DescribedThings> {
  const db = await database();
  const [titles, cars, { all }] = await Promise.all([listOwnTitles(db), listOwnCars(db), listTitles(db)]);
  const title = titles.find(({ id }) => ownTitleId(id) === wanted);
  const car = cars.find(({ id }) => ownCarId(id) === wanted);
  const documentOf = ({ id: _, ...document }: (typeof titles)[number]) => document;
  return {
    titles: titles.map(({ id, name }) => ({ id: ownTitleId(id), name })),
    cars: cars.map(({ id, name }) => ({ id: ownCarId(id), name })),
    copies: all.map(({ id, name }) => ({ id, name })),
    title: title ? { id: ownTitleId(title.id), document: documentOf(title) } : null,
    car: car ? { ...car, id: ownCarId(car.id) } : null,
  };
}
