import { CARS } from '@/catalog/cars';
import { readCarJson } from '@/core/formats/carJson';
import { matchRotation } from '@/core/rotation/matchRotation';
import {
  COMPARED_AT_MPS,
  lateralPerDegree,
  SENSITIVITY_SPEEDS,
  steeredCar,
} from '@/core/rotation/sensitivity';
import type { CarSpec } from '@/core/vehicle/carSpec';
import { positiveOption, UsageError } from './arguments';
import { shown, type Command } from './command';
import { named } from './named';

const SPEEDS = [...SENSITIVITY_SPEEDS, COMPARED_AT_MPS].sort((a, b) => a - b);

/** How cars answer to the hands on a base: the table of Lock. */
export const steering: Command = {
  name: 'steering',
  usage: 'steering --base P --title G [--stretch] [--car C] [--json]',
  options: ['base', 'title', 'car'],
  flags: ['stretch'],
  run(args) {
    const baseDeg = positiveOption(args, 'base');
    const titleDeg = positiveOption(args, 'title');
    if (baseDeg === null || titleDeg === null) throw new UsageError('steering needs --base and --title');
    const cars = args.options.has('car') ? [named(args, 'car', CARS, readCarJson, 'steering')] : CARS;
    const answer = (car: CarSpec) => {
      const { gain, bumpStopDeg } = matchRotation({
        baseDeg,
        titleDeg,
        carDeg: car.lockDeg,
        isStretch: args.flags.has('stretch'),
      });
      const own = steeredCar(car);
      return {
        car: car.id,
        lockDeg: car.lockDeg,
        ratio: car.steeringRatio,
        bumpStopDeg,
        /** m/s² per degree of the hands, by speed in m/s. */
        lateral: Object.fromEntries(SPEEDS.map((speed) => [speed, lateralPerDegree(own, gain, speed)])),
      };
    };
    const rows = cars.map(answer);
    return {
      json: { cars: rows },
      table: [
        ['car', 'lock', 'bump stop', 'ratio', ...SPEEDS.map((speed) => `m/s² per ° at ${speed} m/s`)],
        ...rows.map(({ car, lockDeg, bumpStopDeg, ratio, lateral }) => [
          car,
          shown(lockDeg),
          shown(bumpStopDeg),
          shown(ratio),
          ...SPEEDS.map((speed) => shown(lateral[speed])),
        ]),
      ],
    };
  },
};
