import { compareRides } from '@/core/decide/compareRides';
import { readRideCsv } from '@/core/formats/rideCsv';
import { measureRide } from '@/core/rides/measureRide';
import { UsageError } from './arguments';
import { shown, type Command } from './command';
import { orRefuse, readText } from './files';

/** Ride A against ride B as Verdict shows them; which was driven first takes the trend out. */
export const verdict: Command = {
  name: 'verdict',
  usage: 'verdict A.ride.csv B.ride.csv [--order AB|BA] [--json]',
  options: ['order'],
  run(args) {
    const [a, b, ...more] = args.positional;
    if (!a || !b || more.length > 0) throw new UsageError('verdict takes two ride logs, A and B');
    const lapsOf = (file: string) => measureRide(orRefuse(file, readRideCsv(readText(file)))).laps;
    const order = args.options.get('order');
    if (order !== undefined && order !== 'AB' && order !== 'BA')
      throw new UsageError('--order is AB or BA: which of the two was driven first');
    const rides = [
      { side: 'A' as const, laps: lapsOf(a) },
      { side: 'B' as const, laps: lapsOf(b) },
    ];
    const comparisons = compareRides(order === 'BA' ? rides.toReversed() : rides, order !== undefined);
    return {
      json: { comparisons },
      table: [
        ['measure', 'A', 'B', 'difference', '95 % interval', 'p (Holm)', 'at most', 'verdict'],
        ...comparisons.map((c) => [
          c.name,
          shown(c.meanA),
          shown(c.meanB),
          shown(c.difference),
          c.interval.map(shown).join(' … '),
          shown(c.pHolm),
          shown(c.largestLeft),
          c.verdict,
        ]),
        ...(comparisons.length === 0
          ? [['note', 'no measure has enough counted laps: two a side, and five in all']]
          : []),
      ],
    };
  },
};
