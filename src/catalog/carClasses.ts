import type { CarClass } from '@/core/vehicle/carClass';
import type { CarSpec } from '@/core/vehicle/carSpec';
import { CARS } from './cars';

function like(id: string): Omit<CarSpec, 'id' | 'name'> {
  const found = CARS.find((car) => car.id === id);
  if (!found) throw new RangeError(`there is no car ${id}`);
  return found;
}

/** Classes of cars with how far their figures differ, as a driver who knows nothing more of a car may choose one. */
export const CAR_CLASSES: readonly CarClass[] = [
  {
    id: 'road',
    name: 'Road car or old saloon',
    usual: {
      massKg: [700, 1150, 1700],
      wheelbaseM: [2.1, 2.45, 2.9],
      steeringRatio: [13, 16, 20],
      lockDeg: [720, 900, 1200],
      powerKw: [40, 110, 300],
      fullScaleNm: [10, 16, 28],
      mu0: [0.9, 1.02, 1.15],
      downforceM2: [0, 0, 0.3],
    },
    like: like('marl-850'),
  },
  {
    id: 'sports',
    name: 'Sports or racing car with a roof',
    usual: {
      massKg: [900, 1250, 1500],
      wheelbaseM: [2.3, 2.55, 2.85],
      steeringRatio: [11, 13, 16],
      lockDeg: [480, 600, 900],
      powerKw: [150, 330, 500],
      fullScaleNm: [12, 20, 35],
      mu0: [1.1, 1.35, 1.6],
      downforceM2: [0, 1.2, 3],
    },
    like: like('fenwick-six'),
  },
  {
    id: 'open-wheel',
    name: 'Single-seater',
    usual: {
      massKg: [420, 620, 800],
      wheelbaseM: [2.2, 2.7, 3.4],
      steeringRatio: [9, 11, 13],
      lockDeg: [270, 360, 540],
      powerKw: [80, 200, 600],
      fullScaleNm: [10, 18, 32],
      mu0: [1.3, 1.55, 1.8],
      downforceM2: [0, 1.8, 4.5],
    },
    like: like('spindrift-h4'),
  },
  {
    id: 'truck',
    name: 'Truck',
    usual: {
      massKg: [4500, 5500, 9000],
      wheelbaseM: [3.4, 3.7, 4.2],
      steeringRatio: [15, 17, 22],
      lockDeg: [900, 1260, 1800],
      powerKw: [250, 600, 850],
      fullScaleNm: [15, 22, 40],
      mu0: [0.8, 0.92, 1.05],
      downforceM2: [0, 0, 0.5],
    },
    like: like('dray-55'),
  },
];

/** A class by its id; the first where there is none of that name. */
export const carClassById = (id: string): CarClass =>
  CAR_CLASSES.find((one) => one.id === id) ?? CAR_CLASSES[0]!;
