'use server';

import { z } from 'zod';
import { database } from '@/data/book';
import { openCombination } from '@/data/combination';
import { chooseSchools, schoolsOf, schoolsSchema } from '@/data/schools';
import { asked } from './asked';
import { bookChanged } from './bookChanged';
import { DONE, refused, type Reply } from './reply';

/** The driver sides with a school where practitioners disagree. */
export async function chooseSchool(choice: Partial<z.input<typeof schoolsSchema>>): Promise<Reply> {
  const db = await database();
  const open = await openCombination(db);
  if (!open)
    return refused({ code: 'no-rig', message: 'No rig is open.', place: {}, remedy: 'Choose a rig first.' });
  const schools = asked(schoolsSchema, { ...(await schoolsOf(db, open.driver)), ...choice });
  if (!schools.ok) return refused(...schools.problems);
  await chooseSchools(db, open.driver, schools.value);
  bookChanged();
  return DONE;
}
