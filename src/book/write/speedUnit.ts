'use server';

import { speedUnitSchema, type SpeedUnit } from '@/core/text/speedUnit';
import { chooseSpeedUnitOf } from '@/data/speedUnit';
import { commandHere } from './command';
import { parseInput } from './parseInput';
import { DONE, refused, type Reply } from './reply';

/** The driver reads speeds in this unit, everywhere. */
export async function chooseSpeedUnit(unit: SpeedUnit): Promise<Reply> {
  const wanted = parseInput(speedUnitSchema, unit);
  if (!wanted.ok) return refused(...wanted.problems);
  return commandHere(async ({ book, combination: { driver } }) => {
    await chooseSpeedUnitOf(book, driver, wanted.value);
    return DONE;
  });
}
