import { readRideCsv } from '@/core/formats/rideCsv';
import { gainProbe } from '@/core/force/gainProbe';
import { UsageError } from './arguments';
import { shown, type Command } from './command';
import { orRefuse, readText } from './files';
import { needed } from './named';

const SAID = { factor: 'yes', other: 'no', unsure: 'these rides cannot tell' };

/** Whether a title's gain is a factor of its force: two rides at two values, as Describe compares them. */
export const gain: Command = {
  name: 'gain',
  usage: 'gain A.ride.csv B.ride.csv --values 50,100 [--json]',
  options: ['values'],
  run(args) {
    const files = [...args.positional, ...args.rest];
    if (files.length !== 2) throw new UsageError('gain takes two ride logs');
    const values = needed(args, 'values', 'gain').split(',').map(Number);
    if (values.length !== 2 || !values.every((value) => value > 0))
      throw new UsageError('--values takes the gain of each ride: 50,100');
    const [a, b] = files.map((file, i) => ({
      log: orRefuse(file, readRideCsv(readText(file))),
      value: values[i]!,
    }));
    const found = orRefuse(files.join(', '), gainProbe(a!, b!));
    return {
      json: found,
      table: [
        ['the force grew', `${shown(found.ratio)} (${shown(found.low)} … ${shown(found.high)}) times`],
        ['the number', `${shown(found.expected)} times`],
        ['it is a factor', SAID[found.verdict]],
      ],
    };
  },
};
