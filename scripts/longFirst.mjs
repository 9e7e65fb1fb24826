// In which order the unit tests run: walks through pages take longest, and none of them should be the last.
import { statSync } from 'node:fs';
import Sequencer from '@jest/test-sequencer';

export default class LongFirst extends Sequencer {
  sort(tests) {
    const weight = ({ path }) => (path.includes('/walks/') ? 1e6 : 0) + statSync(path).size;
    return [...tests].sort((a, b) => weight(b) - weight(a));
  }
}
