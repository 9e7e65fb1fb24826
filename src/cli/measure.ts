import { readRideCsv } from '@/core/formats/rideCsv';
import { lapMeasure, measureRide, type MeasuredLap, type RideMeasures } from '@/core/rides/measureRide';
import { MEASURES_SHOWN } from '@/core/rides/measures';
import { UsageError } from './arguments';
import { shown, type Command } from './command';
import { orRefuse, readText } from './files';

export const measure: Command = {
  name: 'measure',
  usage: 'measure FILE.ride.csv [--json]',
  options: [],
  run(args) {
    const [file, ...more] = args.positional;
    if (!file || more.length > 0) throw new UsageError('measure takes one ride log');
    const measured = measureRide(orRefuse(file, readRideCsv(readText(file))));
    const missing = measured.missing.map((name) => ['missing', name]);
    return { json: measured, table: [...lapTable(measured.laps, measured.summary), ...missing] };
  },
};

/** Laps as rows, means of the counted ones last. */
export function lapTable(laps: MeasuredLap[], summary: RideMeasures['summary']): string[][] {
  return [
    ['lap', ...MEASURES_SHOWN.map((m) => m.name), 'counted'],
    ...laps.map((lap) => [
      String(lap.lap),
      ...MEASURES_SHOWN.map((m) => shown(lapMeasure(lap, m.name))),
      lap.counted ? 'yes' : `no: ${lap.why}`,
    ]),
    ['mean', ...MEASURES_SHOWN.map((m) => shown(summary[m.name])), ''],
  ];
}
