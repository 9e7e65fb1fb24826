import type { CarSpec } from '../vehicle/carSpec';
import type { TitleForce } from './forceSettings';

/**
 * The car as a title lets it be felt: its trails made longer or shorter. The car that is driven stays what it is.
 * With both at 1 it is the car itself, so that what is known of it stays known.
 */
export function feltCar(car: CarSpec, { mechanical, pneumatic }: TitleForce['trails']): CarSpec {
  if (mechanical === 1 && pneumatic === 1) return car;
  return {
    ...car,
    casterTrailM: car.casterTrailM * mechanical,
    pneumaticTrailM: car.pneumaticTrailM * pneumatic,
  };
}
