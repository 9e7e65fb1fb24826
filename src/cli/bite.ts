import { bitePoint } from '@/core/launch/bitePoint';
import { readRideCsv } from '@/core/formats/rideCsv';
import { positiveOption, UsageError } from './arguments';
import { shown, type Command } from './command';
import { orRefuse, readText } from './files';

const LEAST_EXPONENT = 0.5;
const MOST_EXPONENT = 4;

export const bite: Command = {
  name: 'bite',
  usage: 'bite FILE.ride.csv [--exponent p] [--json]',
  options: ['exponent'],
  run(args) {
    const [file, ...more] = args.positional;
    if (!file || more.length > 0) throw new UsageError('bite takes one ride log');
    const exponent = positiveOption(args, 'exponent', LEAST_EXPONENT, MOST_EXPONENT) ?? undefined;
    const found = orRefuse(file, bitePoint(orRefuse(file, readRideCsv(readText(file))), exponent));
    return {
      json: found,
      table: [
        ['bite', `${shown(found.bite)} of the travel (${shown(found.low)} to ${shown(found.high)})`],
        ['releases', shown(found.releases)],
        ['exponent', shown(found.exponent)],
        ...found.warnings.map((warning) => ['warning', warning]),
      ],
    };
  },
};
