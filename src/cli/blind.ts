import { createHash } from 'node:crypto';
import { judgeBlind, readBlindJson } from '@/core/formats/blindJson';
import { UsageError } from './arguments';
import { shown, type Command } from './command';
import { orRefuse, readText } from './files';

/** Scores a blind test pair by pair, and checks that its orders are those that were promised. */
export const blind: Command = {
  name: 'blind',
  usage: 'blind FILE.blind.json [--json]',
  options: [],
  run(args) {
    const [file, ...more] = args.positional;
    if (!file || more.length > 0) throw new UsageError('blind takes one file');
    const answer = judgeBlind(orRefuse(file, readBlindJson(readText(file))), (text) =>
      createHash('sha256').update(text, 'utf8').digest('hex'),
    );
    const { pairs, right, wrong, none, score, highest, verdict, prefers, commitmentHolds } = answer;
    return {
      json: { pairs, right, wrong, none, score, highest, verdict, prefers, commitmentHolds },
      table: [
        ['pairs', String(pairs)],
        ['right', String(right)],
        ['wrong', String(wrong)],
        ['none', String(none)],
        ['score', shown(score)],
        ['highest', shown(highest)],
        ['verdict', verdict],
        ...(prefers ? [['prefers', prefers]] : []),
        ['orders', ORDERS[String(commitmentHolds) as keyof typeof ORDERS]],
      ],
    };
  },
};

const ORDERS = {
  true: 'as promised before the first ride',
  false: 'not those that were promised',
  null: 'nothing was promised',
};
