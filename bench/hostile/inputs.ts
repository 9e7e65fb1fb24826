import fc from 'fast-check';
import { analyseAllAxes } from '@/core/axes/analyseAxis';
import { readCaptureCsv } from '@/core/formats/captureCsv';
import { readRideCsv } from '@/core/formats/rideCsv';
import { measureRide } from '@/core/rides/measureRide';
import { anything, CAPTURE, damaged, damages, READERS, RIDE, WHEEL } from '@/core/testing/damage';
import { memory, say } from './program';

/** Files that are none, and files with faults in them, through every reader and what is worked out of what they read. */
export function inputs(n: number): void {
  let slowest = 0;
  let slow = '';
  let taken = 0;
  let done = 0;
  const timed = (what: string, work: () => boolean) => {
    const from = performance.now();
    if (work()) taken++;
    const took = performance.now() - from;
    if (took > slowest) [slowest, slow] = [took, what];
    done++;
  };
  const readers = Object.entries(READERS);
  const numRuns = Math.ceil(n / (readers.length + 3));
  for (const [name, read] of readers)
    fc.assert(
      fc.property(anything, (text) => timed(name, () => read(text).ok)),
      { numRuns },
    );
  fc.assert(
    fc.property(fc.constantFrom(CAPTURE, WHEEL), damages, (capture, by) =>
      timed('damaged capture', () => {
        const read = readCaptureCsv(damaged(capture, by));
        return read.ok && analyseAllAxes(read.value).ok;
      }),
    ),
    { numRuns: 2 * numRuns },
  );
  fc.assert(
    fc.property(damages, (by) =>
      timed('damaged ride', () => {
        const read = readRideCsv(damaged(RIDE, by));
        if (read.ok) measureRide(read.value);
        return read.ok;
      }),
    ),
    { numRuns },
  );
  say(
    `inputs: ${done} files, none threw, ${taken} were taken; the slowest ${slowest.toFixed(0)} ms (${slow}); ${memory(process.pid)} MB at the end`,
  );
}
