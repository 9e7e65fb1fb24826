import { carClassById, CAR_CLASSES } from '@/catalog/carClasses';
import { carFrom, type DescribedCar } from '@/core/vehicle/carClass';
import { readCarJson } from '@/core/formats/carJson';
import { readOwnCarJson } from '@/core/formats/ownCarJson';
import { fail, succeed, type Outcome } from '@/core/problem';
import type { CarSpec } from '@/core/vehicle/carSpec';

/** A `*.car.json` that names a class; `null` where it is a whole car. */
export function describedCar(text: string): Outcome<DescribedCar> | null {
  if (!/"className"\s*:/.test(text)) return null;
  const read = readOwnCarJson(text);
  if (!read.ok) return read;
  const { className } = read.value;
  return CAR_CLASSES.some(({ id }) => id === className)
    ? read
    : fail({
        code: 'no-class',
        message: `There is no class of cars "${className}".`,
        place: { column: 'className' },
        remedy: `There are: ${CAR_CLASSES.map(({ id }) => id).join(', ')}.`,
      });
}

/** Reads a `*.car.json`: whole, or a class with what is known of the car; then the rest is as usual for the class. */
export function readAnyCarJson(text: string): Outcome<CarSpec> {
  const read = describedCar(text);
  if (!read) return readCarJson(text);
  return read.ok ? succeed(carFrom('described', read.value, carClassById(read.value.className))) : read;
}
