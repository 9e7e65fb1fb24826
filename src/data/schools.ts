import { schoolsSchema, USUAL_SCHOOLS, type Schools } from '@/core/settings/schools';
import { readFact, writeFact } from './facts';
import type { Database } from './database';

const keyOf = (driver: string) => `schools/${driver}`;

export async function schoolsOf(db: Database, driver: string): Promise<Schools> {
  const value = await readFact(db, keyOf(driver));
  return value === undefined ? USUAL_SCHOOLS : schoolsSchema.parse(value);
}

export async function chooseSchools(db: Database, driver: string, schools: Schools): Promise<void> {
  await writeFact(db, keyOf(driver), schools);
}
