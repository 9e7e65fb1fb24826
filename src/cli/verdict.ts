import { compareLaps } from '@/core/decide/compareRides';
import { readRideCsv } from '@/core/formats/rideCsv';
import { measureRide } from '@/core/rides/measureRide';
import { UsageError } from './arguments';
import { shown, type Command } from './command';
import { orRefuse, readText } from './files';

/** Ride A against ride B, lap by lap, as Verdict shows them. */
export const verdict: Command = {
  name: 'verdict',
  usage: 'verdict A.ride.csv B.ride.csv [--json]',
  options: [],
  run(args) {
    const [a, b, ...more] = args.positional;
    if (!a || !b || more.length > 0) throw new UsageError('verdict takes two ride logs, A and B');
    const lapsOf = (file: string) => measureRide(orRefuse(file, readRideCsv(readText(file)))).laps;
    const comparisons = compareLaps(lapsOf(a), lapsOf(b));
    return {
      json: { comparisons },
      table: [
        ['measure', 'A', 'B', 'difference', '95 % interval', 'p (Holm)', 'could show', 'verdict'],
        ...comparisons.map((c) => [
          c.name,
          shown(c.meanA),
          shown(c.meanB),
          shown(c.difference),
          c.interval.map(shown).join(' … '),
          shown(c.pHolm),
          shown(c.smallestShown),
          c.verdict,
        ]),
        ...(comparisons.length === 0 ? [['note', 'no measure has two counted laps on both sides']] : []),
      ],
    };
  },
};
