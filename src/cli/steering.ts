import { CARS } from '@/catalog/cars';
import { readAnyCarJson } from './carFile';
import { carAnswer, COMPARED_AT_MPS, SENSITIVITY_SPEEDS } from '@/core/rotation/sensitivity';
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
    const cars = args.options.has('car') ? [named(args, 'car', CARS, readAnyCarJson, 'steering')] : CARS;
    const rotation = { baseDeg, titleDeg, isStretch: args.flags.has('stretch') };
    const rows = cars.map((car) => carAnswer(car, rotation, SPEEDS));
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
