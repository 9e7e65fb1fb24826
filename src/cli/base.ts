import { isCountsPerDegree, MOST_COUNTS_PER_DEGREE } from '@/core/axes/checkCapture';
import { readCaptureCsv } from '@/core/formats/captureCsv';
import { baseByHand, type HandCapture } from '@/core/identify/baseByHand';
import type { Estimate } from '@/core/identify/fitSwings';
import { numberOption, UsageError } from './arguments';
import { shown, type Command } from './command';
import { InputError, orRefuse, readText } from './files';

export const base: Command = {
  name: 'base',
  usage: 'base FILE.capture.csv… [--counts-per-degree n] [--json]',
  options: ['counts-per-degree'],
  run(args) {
    const files = [...args.positional, ...args.rest];
    if (files.length === 0) throw new UsageError('base takes one capture file or more');
    const given = numberOption(args, 'counts-per-degree');
    if (given !== null && !isCountsPerDegree(given))
      throw new UsageError(
        `--counts-per-degree takes a number other than 0 up to ${MOST_COUNTS_PER_DEGREE}, not ${given}`,
      );
    const captures = files.map((file): HandCapture => {
      const recording = orRefuse(file, readCaptureCsv(readText(file)));
      const countsPerDegree = recording.countsPerDegree ?? given;
      if (countsPerDegree === null)
        throw new InputError(file, [
          {
            code: 'no-scale',
            message: 'Nobody says how many counts a degree is.',
            place: { row: 1 },
            remedy: 'Note "# counts_per_degree: 36.4" in the file, or give --counts-per-degree.',
          },
        ]);
      return { recording, countsPerDegree };
    });
    const json = orRefuse(files.join(', '), baseByHand(captures));
    const row = (what: string, estimate: Estimate | null, unit: string): string[] => [
      what,
      estimate ? `${shown(estimate.value)} (${shown(estimate.low)} … ${shown(estimate.high)}) ${unit}` : '–',
    ];
    return {
      json,
      table: [
        row('friction over inertia', json.frictionOverInertia, 'rad/s²'),
        row('damping over inertia', json.dampingOverInertia, '1/s'),
        row('spring over inertia', json.springOverInertia, '1/s²'),
        row('imbalance, sine', json.imbalance.sinOverInertia, 'rad/s²'),
        row('imbalance, cosine', json.imbalance.cosOverInertia, 'rad/s²'),
        row('inertia', json.inertiaKgM2, 'kg·m²'),
        row('friction', json.frictionNm, 'N·m'),
        row('damping', json.dampingNmsPerRad, 'N·m·s/rad'),
        ['spins and releases', String(json.swings)],
        ...json.warnings.map((warning) => ['note', warning]),
      ],
    };
  },
};
