import { assumedOf, carFrom, type DescribedCar, type KnownOfACar } from '@/core/vehicle/carClass';
import type { CarSpec } from '@/core/vehicle/carSpec';
import { carClassById } from './carClasses';

/** A car that the driver described, as the book keeps it. */
export interface OwnCar extends DescribedCar {
  id: string;
}

export const ownCarId = (id: string) => `own-car-${id}`;

/** What each part of a car is called, with unit and digits. A new one is an entry here. */
export const CAR_WORDS: Record<KnownOfACar, { word: string; unit: string; digits: number }> = {
  massKg: { word: 'mass', unit: 'kg', digits: 0 },
  wheelbaseM: { word: 'wheelbase', unit: 'm', digits: 2 },
  steeringRatio: { word: 'steering ratio', unit: '', digits: 1 },
  lockDeg: { word: 'lock to lock', unit: '°', digits: 0 },
  powerKw: { word: 'power', unit: 'kW', digits: 0 },
  fullScaleNm: { word: 'full-scale torque', unit: 'N·m', digits: 1 },
  mu0: { word: 'grip of the tyres', unit: 'µ', digits: 2 },
  downforceM2: { word: 'downforce (area × coefficient)', unit: 'm²', digits: 1 },
};

/** A described car as the simulator drives it; what nobody gave is named. */
export function carFromOwn({ id, ...described }: OwnCar): CarSpec {
  const carClass = carClassById(described.className);
  const assumed = assumedOf(described, carClass).map(({ key, value }) => {
    const { word, unit, digits } = CAR_WORDS[key];
    return `${word} of the ${described.name} ${value.toFixed(digits)}${unit && ` ${unit}`}`;
  });
  return {
    ...carFrom(ownCarId(id), described, carClass),
    scaleIsAssumed: described.fullScaleNm === null,
    assumed: [...assumed, `the rest of the ${described.name} like others of its class`],
  };
}
