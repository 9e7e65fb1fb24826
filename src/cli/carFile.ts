import { carClassById, CAR_CLASSES } from '@/catalog/carClasses';
import { carFrom } from '@/core/vehicle/carClass';
import { readCarJson } from '@/core/formats/carJson';
import { readOwnCarJson } from '@/core/formats/ownCarJson';
import { fail, succeed, type Outcome } from '@/core/problem';
import type { CarSpec } from '@/core/vehicle/carSpec';

/** Reads a `*.car.json`: whole, or a class with what is known of the car; then the rest is as usual for the class. */
export function readAnyCarJson(text: string): Outcome<CarSpec> {
  if (!/"className"\s*:/.test(text)) return readCarJson(text);
  const read = readOwnCarJson(text);
  if (!read.ok) return read;
  const { className } = read.value;
  if (!CAR_CLASSES.some(({ id }) => id === className))
    return fail({
      code: 'no-class',
      message: `There is no class of cars "${className}".`,
      place: { column: 'className' },
      remedy: `There are: ${CAR_CLASSES.map(({ id }) => id).join(', ')}.`,
    });
  return succeed(carFrom('described', read.value, carClassById(className)));
}
