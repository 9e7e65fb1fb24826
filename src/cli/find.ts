import { judgeFind, readFindJson } from '@/core/formats/findJson';
import { UsageError } from './arguments';
import { shown, type Command } from './command';
import { orRefuse, readText } from './files';

/** What a search for the best value says so far, and what to ride next. */
export const find: Command = {
  name: 'find',
  usage: 'find FILE.find.json [--json]',
  options: [],
  run(args) {
    const [file, ...more] = args.positional;
    if (!file || more.length > 0) throw new UsageError('find takes one file');
    const answer = judgeFind(orRefuse(file, readFindJson(readText(file))));
    const { state, next, best, jnd, evidence, isCheck } = answer;
    return {
      json: { state, next, best, jnd, evidence, isCheck },
      table: [
        ['state', state],
        ...Object.entries(best).map(([key, { value, low, high }]) => [
          key,
          `${shown(value)} (${shown(low)} to ${shown(high)}), noticed from ${shown(jnd[key]!)}`,
        ]),
        ['evidence', shown(evidence)],
        ...Object.entries(next ?? {}).map(([key, value]) => [`ride next: ${key}`, shown(value)]),
        ...(isCheck ? [['note', 'the next ride asks whether it is felt at all']] : []),
      ],
    };
  },
};
