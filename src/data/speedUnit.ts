import { speedUnitSchema, USUAL_SPEED_UNIT, type SpeedUnit } from '@/core/text/speedUnit';
import { readFact, writeFact } from './facts';
import type { Database } from './database';

const keyOf = (driver: string) => `speed/${driver}`;

/** How a driver reads a speed. */
export async function speedUnitOf(db: Database, driver: string): Promise<SpeedUnit> {
  return speedUnitSchema.parse((await readFact(db, keyOf(driver))) ?? USUAL_SPEED_UNIT);
}

export async function chooseSpeedUnitOf(db: Database, driver: string, unit: SpeedUnit): Promise<void> {
  await writeFact(db, keyOf(driver), unit);
}
