import { z } from 'zod';
import { KNOWN_OF_A_CAR, type KnownOfACar } from '../vehicle/carClass';
import { idSchema, line } from '../text/line';
import { jsonFormat } from './jsonFormat';

const within = (least: number, most: number) => z.number().min(least).max(most).nullable();

/** What a driver may know of a car lies within what anything on wheels does. */
const known: Record<KnownOfACar, ReturnType<typeof within>> = {
  massKg: within(50, 60_000),
  wheelbaseM: within(0.5, 12),
  steeringRatio: within(1, 60),
  lockDeg: within(60, 3600),
  powerKw: within(1, 3000),
  fullScaleNm: within(0.5, 1000),
  mu0: within(0.2, 4),
  downforceM2: within(0, 20),
};

/** A car as its driver describes it: a class, and what of it is known. */
export const describedCarSchema = z.strictObject({
  name: line(80).min(1, 'a car needs a name'),
  className: idSchema,
  ...known,
});

const fileSchema = describedCarSchema.extend({
  ...(Object.fromEntries(
    KNOWN_OF_A_CAR.map((key) => [key, known[key].default(null)]),
  ) as unknown as typeof known),
});

/** A `*.car.json` that names a class and what is known of the car; what is left out is unknown. */
export const { read: readOwnCarJson, write: writeOwnCarJson } = jsonFormat({
  name: 'car',
  schema: fileSchema,
});
