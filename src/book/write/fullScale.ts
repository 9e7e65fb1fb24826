'use server';

import { ownCarId } from '@/catalog/ownCar';
import { describedCarSchema } from '@/core/formats/ownCarJson';
import { listOwnCars, saveOwnCar } from '@/data/ownTitles';
import { commandHere } from './command';
import { goneMeanwhile } from './descriptionProblems';
import { parseInput } from './parseInput';
import { DONE, refused, type Reply } from './reply';

/** Writes down the full-scale torque of the open car, one of the driver's own. */
export async function keepFullScale(fullScaleNm: number): Promise<Reply> {
  const wanted = parseInput(describedCarSchema.shape.fullScaleNm.unwrap(), fullScaleNm);
  if (!wanted.ok) return refused(...wanted.problems);
  return commandHere(async ({ book, combination }) => {
    const car = (await listOwnCars(book)).find(({ id }) => ownCarId(id) === combination.carId);
    if (!car) return refused(goneMeanwhile('car'));
    await saveOwnCar(book, { ...car, fullScaleNm: wanted.value });
    return DONE;
  });
}
