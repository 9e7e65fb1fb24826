import { analyseAllAxes, type AxisAnalysis } from '@/core/axes/analyseAxis';
import type { AxisName } from '@/core/axes/axes';
import { axisHistory, LEAST_FOR_TREND, type AxisHistory, type AxisTrend } from '@/core/axes/axisHistory';
import { readCaptureCsv } from '@/core/formats/captureCsv';
import { fail } from '@/core/problem';
import { numberOption, UsageError } from './arguments';
import { shown, type Command } from './command';
import { orRefuse, readText } from './files';

interface Dated {
  atMs: number;
  analysis: AxisAnalysis;
}

/** The trend of every axis over its captures, as the History of its station shows it. */
export const history: Command = {
  name: 'history',
  usage: 'history FILE.capture.csv… [--deadzone T] [--json]',
  options: ['deadzone'],
  run(args) {
    if (args.positional.length === 0) throw new UsageError('history takes one or more capture files');
    const deadzone = numberOption(args, 'deadzone') ?? 0;
    if (deadzone < 0 || deadzone >= 1)
      throw new UsageError(`--deadzone takes a share of the travel from 0 to below 1, not ${deadzone}`);
    const captures = args.positional.flatMap(readDated).toSorted((a, b) => a.atMs - b.atMs);
    const axes = [...new Set(captures.map(({ analysis }) => analysis.axis))];
    const found = axes.map((axis) => {
      const own = captures.filter(({ analysis }) => analysis.axis === axis);
      return [axis, axisHistory(own, deadzone)] as const;
    });
    return {
      json: { axes: Object.fromEntries(found) },
      table: found.flatMap(([axis, past]) => historyTable(axis, past)),
    };
  },
};

function readDated(file: string): Dated[] {
  const recording = orRefuse(file, readCaptureCsv(readText(file)));
  const { startedMs } = recording;
  if (startedMs === undefined) return orRefuse(file, fail(UNDATED));
  return orRefuse(file, analyseAllAxes(recording)).map((analysis) => ({ atMs: startedMs, analysis }));
}

const UNDATED = {
  code: 'no-date',
  message: 'The file does not say when it was recorded.',
  place: { row: 1 },
  remedy: 'Add a line "# started: 2026-01-05T19:03:00Z" with its date at the top.',
};

const day = (atMs: number | null) => (atMs === null ? 'never' : new Date(atMs).toISOString().slice(0, 10));

function historyTable(axis: AxisName, { points, noise, low, high, outgrows }: AxisHistory): string[][] {
  const percent = (share: number) => `${shown(100 * share)} %`;
  const trend = (found: AxisTrend | null) =>
    found === null
      ? points.length < LEAST_FOR_TREND
        ? `not told of fewer than ${LEAST_FOR_TREND} captures`
        : 'none shown'
      : `${percent(found.perDay)} a day (${found.interval.map(percent).join(' … ')})`;
  return [
    ...points.map((point) => [
      axis,
      day(point.atMs),
      `noise ${percent(point.noise)}, ends ${shown(point.low)} … ${shown(point.high)}, rough spots ${point.roughSpots.length}`,
    ]),
    [axis, 'noise', trend(noise)],
    [axis, 'released end', trend(low)],
    [axis, 'pressed end', trend(high)],
    ...(outgrows
      ? [
          [
            axis,
            'outgrows its dead zone',
            `${day(outgrows.atMs)} (${day(outgrows.earliestMs)} … ${day(outgrows.latestMs)})`,
          ],
        ]
      : []),
  ];
}
