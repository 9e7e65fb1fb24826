'use server';

import { speedUnitSchema } from '@/core/text/speedUnit';
import { chooseSpeedUnitOf } from '@/data/speedUnit';
import { actionHere } from './command';
import { DONE } from './reply';

/** The driver reads speeds in this unit, everywhere. */
export const chooseSpeedUnit = actionHere(
  speedUnitSchema,
  async ({ book, combination: { driver } }, unit) => {
    await chooseSpeedUnitOf(book, driver, unit);
    return DONE;
  },
);
