import 'server-only';
import { ownCarId } from '@/catalog/ownCar';
import { ownTitleId, titleDocument } from '@/catalog/ownTitle';
import { database } from '@/data/book';
import { listOwnCars, listOwnTitles, listTitles } from '@/data/ownTitles';
import type { DescribedThings } from '../model/describedThings';

/** Titles and cars of the driver's own, and every title that can be copied. */
export async function readDescribed(): Promise<DescribedThings> {
  const db = await database();
  const [titles, cars, { all }] = await Promise.all([listOwnTitles(db), listOwnCars(db), listTitles(db)]);
  return {
    titles: titles.map(({ id, ...document }) => ({ id: ownTitleId(id), name: document.name, document })),
    cars: cars.map((car) => ({ ...car, id: ownCarId(car.id) })),
    copies: all.map((title) => ({ name: title.name, document: titleDocument(title) })),
  };
}
