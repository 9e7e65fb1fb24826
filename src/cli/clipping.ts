import { analyseClipping } from '@/core/force/clipping';
import { readRideCsv } from '@/core/formats/rideCsv';
import { positiveOption, UsageError } from './arguments';
import { shown, type Command } from './command';
import { orRefuse, readText } from './files';

/** Factors on the signal that a title could mean, and steps that a menu could have. */
const GAINS = [0.001, 1000] as const;
const STEPS = [0.0001, 100] as const;

export const clipping: Command = {
  name: 'clipping',
  usage: 'clipping FILE.ride.csv [--gain G] [--step S] [--json]',
  options: ['gain', 'step'],
  run(args) {
    const [file, ...more] = args.positional;
    if (!file || more.length > 0) throw new UsageError('clipping takes one ride file');
    const options = {
      gain: positiveOption(args, 'gain', ...GAINS) ?? 1,
      step: positiveOption(args, 'step', ...STEPS) ?? 0.01,
    };
    const log = orRefuse(file, readRideCsv(readText(file)));
    const found = orRefuse(file, analyseClipping(log, options));
    return {
      json: found,
      table: [
        ['clipped', `${shown(100 * found.clipShare)} % of the time`],
        ['sustained', `${shown(100 * found.sustainedShare)} %`],
        ['P95, P99, P99.9', `${shown(found.p95)}, ${shown(found.p99)}, ${shown(found.p999)} of full scale`],
        ['headroom', `${shown(found.headroomDb)} dB`],
        ['gain that keeps every peak', shown(found.gainKeepEveryPeak)],
        ['gain that trades the biggest hits', shown(found.gainTradeBiggestHits)],
        ...found.events.map((event) => [
          event.kind,
          `at ${shown(event.tS)} s for ${shown(1000 * event.durationS)} ms, ${shown(event.distanceM)} m, lap ${shown(event.lap)}`,
        ]),
        ...found.warnings.map((warning) => ['note', warning]),
      ],
    };
  },
};
