import { CARS } from '@/catalog/cars';
import { DRILL_NAMES, measureDrill, type DrillName } from '@/core/drills/measureDrill';
import { readRideCsv } from '@/core/formats/rideCsv';
import { numbersOption, UsageError } from './arguments';
import { shown, type Command } from './command';
import { orRefuse, readText } from './files';
import { needed } from './named';

export const drill: Command = {
  name: 'drill',
  usage: `drill FILE.ride.csv --drill ${DRILL_NAMES.join('|')} [--centre x,y] [--json]`,
  options: ['drill', 'centre'],
  run(args) {
    const [file, ...more] = args.positional;
    if (!file || more.length > 0) throw new UsageError('drill takes one ride log');
    const name = needed(args, 'drill', 'drill');
    if (!(DRILL_NAMES as string[]).includes(name))
      throw new UsageError(`there is no drill "${name}"; there are ${DRILL_NAMES.join(', ')}`);
    const centre = numbersOption(args, 'centre', 2);
    const log = orRefuse(file, readRideCsv(readText(file)));
    const car = CARS.find(({ id }) => id === log.notes['car']);
    const { measures, warnings } = orRefuse(
      file,
      measureDrill(name as DrillName, log, {
        ...(centre && { centre: [centre[0]!, centre[1]!] as const }),
        ...(car && { steeringRatio: car.steeringRatio }),
      }),
    );
    return {
      json: { drill: name, measures, warnings },
      table: [
        ...Object.entries(measures).map(([measure, value]) => [measure, shown(value)]),
        ...warnings.map((warning) => ['warning', warning]),
      ],
    };
  },
};
