import { carClassById } from '@/catalog/carClasses';
import { hairpinHand } from '@/core/rotation/matchRotation';
import { COMPARED_AT_MPS, lateralPerDegree, steeredCar } from '@/core/rotation/sensitivity';
import { rangeOverClass, type DescribedCar } from '@/core/vehicle/carClass';
import type { CarSpec } from '@/core/vehicle/carSpec';

/** A figure of a described car, and how far it reaches over what is assumed of it. */
export interface HangsOnClass {
  name: string;
  unit: string;
  digits: number;
  value: number;
  low: number;
  high: number;
}

/**
 * By how much what is said of a described car hangs on its class.
 * @param radiusM radius of the tightest corner that is driven
 */
export function hangsOnClass(car: DescribedCar, radiusM: number): HangsOnClass[] {
  const carClass = carClassById(car.className);
  const figure = (
    name: string,
    unit: string,
    digits: number,
    of: (car: CarSpec) => number,
  ): HangsOnClass => ({
    name,
    unit,
    digits,
    ...rangeOverClass(car, carClass, of),
  });
  const hands = (one: CarSpec) => {
    const { wheelbaseM, ratio } = steeredCar(one);
    return hairpinHand({ radiusM, wheelbaseM, ratio, carDeg: one.lockDeg }).handDeg;
  };
  const answer = (one: CarSpec) => lateralPerDegree(steeredCar(one), 1, COMPARED_AT_MPS);
  return [
    figure(`Hands in the tightest corner, radius ${radiusM.toFixed(0)} m`, '°', 0, hands),
    figure(`A degree of the hands at ${COMPARED_AT_MPS} m/s`, 'm/s²', 2, answer),
    figure('Bump stop', '°', 0, ({ lockDeg }) => lockDeg),
  ];
}
