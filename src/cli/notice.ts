import { createHash } from 'node:crypto';
import { judgeNotice, readNoticeJson } from '@/core/formats/noticeJson';
import { UsageError } from './arguments';
import { shown, type Command } from './command';
import { orRefuse, readText } from './files';

/** What a driver just notices of a setting, from pairs of rides that came closer as they were named right. */
export const notice: Command = {
  name: 'notice',
  usage: 'notice FILE.notice.json [--json]',
  options: [],
  run(args) {
    const [file, ...more] = args.positional;
    if (!file || more.length > 0) throw new UsageError('notice takes one file');
    const answer = judgeNotice(orRefuse(file, readNoticeJson(readText(file))), (text) =>
      createHash('sha256').update(text, 'utf8').digest('hex'),
    );
    const { pairs, right, jnd, low, high, next } = answer;
    return {
      json: { ...answer },
      table: [
        ['pairs', `${pairs}, ${right} right`],
        ['just noticed', `${shown(jnd)} (${shown(low)} to ${shown(high)}, 90 %)`],
        ['next pair', next === null ? 'none: known well enough' : `${shown(next)} apart`],
      ],
    };
  },
};
