import { CARS } from '@/catalog/cars';
import { hangsOnClass, type HangsOnClass } from '@/book/judge/ownCar';
import { describedCar, readAnyCarJson } from './carFile';
import { carAnswer, COMPARED_AT_MPS, SENSITIVITY_SPEEDS } from '@/core/rotation/sensitivity';
import { positiveOption, UsageError, type Arguments } from './arguments';
import { shown, type Command } from './command';
import { orRefuse, readText } from './files';
import { named } from './named';

const SPEEDS = [...SENSITIVITY_SPEEDS, COMPARED_AT_MPS].sort((a, b) => a - b);

/** How cars answer to the hands on a base: the table of Lock. */
export const steering: Command = {
  name: 'steering',
  usage: 'steering --base P --title G [--stretch] [--car C [--hairpin R]] [--json]',
  options: ['base', 'title', 'car', 'hairpin'],
  flags: ['stretch'],
  run(args) {
    const baseDeg = positiveOption(args, 'base');
    const titleDeg = positiveOption(args, 'title');
    if (baseDeg === null || titleDeg === null) throw new UsageError('steering needs --base and --title');
    const cars = args.options.has('car') ? [named(args, 'car', CARS, readAnyCarJson, 'steering')] : CARS;
    const rotation = { baseDeg, titleDeg, isStretch: args.flags.has('stretch') };
    const rows = cars.map((car) => carAnswer(car, rotation, SPEEDS));
    const overClass = rangesOf(args);
    return {
      json: { cars: rows, overClass },
      table: [
        ['car', 'lock', 'bump stop', 'ratio', ...SPEEDS.map((speed) => `m/s² per ° at ${speed} m/s`)],
        ...rows.map(({ car, lockDeg, bumpStopDeg, ratio, lateral }) => [
          car,
          shown(lockDeg),
          shown(bumpStopDeg),
          shown(ratio),
          ...SPEEDS.map((speed) => shown(lateral[speed])),
        ]),
        ...(overClass ?? []).map(({ name, unit, value, low, high }) => [
          name,
          `${shown(value)} (${shown(low)} … ${shown(high)} over its class) ${unit}`,
        ]),
      ],
    };
  },
};

/** What hangs on the class of a car of which not all is known; `null` for a whole one. */
function rangesOf(args: Arguments): HangsOnClass[] | null {
  const file = args.options.get('car');
  const radiusM = positiveOption(args, 'hairpin') ?? USUAL_HAIRPIN_M;
  if (!file?.endsWith('.json')) return null;
  const described = describedCar(readText(file));
  return described && hangsOnClass(orRefuse(file, described), radiusM);
}

const USUAL_HAIRPIN_M = 12.5;
