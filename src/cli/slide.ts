import { CARS } from '@/catalog/cars';
import { steadySlide } from '@/core/slides/steadySlide';
import { makeTwoTrack } from '@/core/vehicle/twoTrack';
import { positiveOption, UsageError } from './arguments';
import { readAnyCarJson } from './carFile';
import { shown, type Command } from './command';
import { InputError } from './files';
import { named } from './named';

const RAD = Math.PI / 180;

export const slide: Command = {
  name: 'slide',
  usage: 'slide --car C --radius R --angle DEG [--json]',
  options: ['car', 'radius', 'angle'],
  run(args) {
    if (args.positional.length > 0)
      throw new UsageError(`slide takes options only, not "${args.positional[0]}"`);
    const car = named(args, 'car', CARS, readAnyCarJson, 'slide');
    const radiusM = positiveOption(args, 'radius', 3, 500);
    const angle = positiveOption(args, 'angle', 1, 60);
    if (radiusM === null || angle === null) throw new UsageError('slide needs --radius and --angle');
    const found = steadySlide(makeTwoTrack(car), radiusM, -angle * RAD);
    if (!found)
      throw new InputError(args.options.get('car')!, [
        {
          code: 'no-slide',
          message: `${car.name} cannot hold a slide of ${angle}° on ${radiusM} m.`,
          place: {},
          remedy:
            'It takes a driven rear axle whose differential holds both wheels together, power, and lock enough: try a smaller angle or another radius.',
        },
      ]);
    const { speedMps, handRad, gear, throttle, columnNm } = found;
    const json = { speedMps, handDeg: handRad / RAD, gear, throttle, columnNm };
    return { json, table: Object.entries(json).map(([name, value]) => [name, shown(value)]) };
  },
};
