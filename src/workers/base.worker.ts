import { expose } from 'comlink';
import { readCaptureCsv } from '@/core/formats/captureCsv';
import { baseByHand, type BaseByHand, type HandCapture } from '@/core/identify/baseByHand';
import { rimOf, type RimFigures } from '@/core/force/rimOf';
import type { ChainFacts } from '@/core/force/chainOf';
import { fail, type Outcome } from '@/core/problem';

const api = {
  /** What spins and releases say of a base, off the main thread. */
  estimate: (captures: HandCapture[]): Outcome<BaseByHand> => baseByHand(captures),
  /** The same from a capture file. */
  read(text: string, countsPerDegree: number | null): Outcome<BaseByHand> {
    const read = readCaptureCsv(text);
    if (!read.ok) return read;
    const scale = read.value.countsPerDegree ?? countsPerDegree;
    if (scale === null)
      return fail({
        code: 'no-scale',
        message: 'Nobody says how many counts a degree is.',
        place: { row: 1 },
        remedy: 'Measure the steering first, or note "# counts_per_degree: 36.4" in the file.',
      });
    return baseByHand([{ recording: read.value, countsPerDegree: scale }]);
  },
  /** What the rim of a combination does by itself. */
  rim: (facts: ChainFacts): RimFigures => rimOf(facts),
};

export type BaseWorker = typeof api;

expose(api);
