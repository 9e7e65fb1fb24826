'use server';

import { ownCarId } from '@/catalog/ownCar';
import { describedCarSchema } from '@/core/formats/ownCarJson';
import { listOwnCars, saveOwnCar } from '@/data/ownTitles';
import { actionHere } from './command';
import { goneMeanwhile } from './descriptionProblems';
import { DONE, refused } from './reply';

/** Writes down the full-scale torque of the open car, one of the driver's own. */
export const keepFullScale = actionHere(
  describedCarSchema.shape.fullScaleNm.unwrap(),
  async ({ book, combination }, fullScaleNm) => {
    const car = (await listOwnCars(book)).find(({ id }) => ownCarId(id) === combination.carId);
    if (!car) return refused(goneMeanwhile('car'));
    await saveOwnCar(book, { ...car, fullScaleNm: fullScaleNm });
    return DONE;
  },
);
