'use server';

import type { z } from 'zod';
import { schoolsSchema } from '@/core/settings/schools';
import { chooseSchools, schoolsOf } from '@/data/schools';
import { parseInput } from './parseInput';
import { commandHere } from './command';
import { DONE, refused, type Reply } from './reply';

/** The driver sides with a school where practitioners disagree. */
export async function chooseSchool(choice: Partial<z.input<typeof schoolsSchema>>): Promise<Reply> {
  return commandHere(async ({ book, combination: { driver } }) => {
    const schools = parseInput(schoolsSchema, { ...(await schoolsOf(book, driver)), ...choice });
    if (!schools.ok) return refused(...schools.problems);
    await chooseSchools(book, driver, schools.value);
    return DONE;
  });
}
