import {
  captureFault,
  isCountsPerDegree,
  MOST_COUNTS_PER_DEGREE,
  notedRange,
  RATE_RANGE,
} from '../axes/checkCapture';
import { AXIS_NAMES, type AxisName } from '../axes/axes';
import {
  measuredRate,
  PHASE_LABEL,
  PHASE_LABELS_IN_WORDS,
  runsFromLabels,
  type Recording,
} from '../axes/recording';
import { fail, succeed, type Outcome, type Problem } from '../problem';
import { oneLine, quoted } from '../text/line';
import { startedNote } from './startedNote';
import { readTable, writeTable, type Table, type TableFormat } from './table';

const FORMAT: TableFormat = {
  known: ['t_s', 'phase', ...AXIS_NAMES],
  needed: ['t_s', 'phase'],
  words: {
    phase: {
      accepts: (word) => PHASE_LABEL.test(word),
      what: 'a phase',
      code: 'unknown-phase',
      remedy: `Phases are: ${PHASE_LABELS_IN_WORDS}.`,
    },
  },
  lacks: (header) =>
    AXIS_NAMES.some((name) => header.includes(name))
      ? null
      : {
          code: 'no-axis',
          message: 'No column holds an axis.',
          remedy: `Add at least one of: ${AXIS_NAMES.join(', ')}.`,
        },
};
const LONGEST_DEVICE = 320;

/**
 * Reads a `*.capture.csv`. Every fault is named with its line and column.
 * @param ranged the axes that the noted range speaks of: all of them, unless the file is known to hold others beside them
 */
export function readCaptureCsv(text: string, ranged?: readonly AxisName[]): Outcome<Recording> {
  const read = readTable(text, FORMAT);
  if (!read.ok) return read;
  const table = read.value;
  const axes = AXIS_NAMES.filter((name) => table.header.includes(name));
  const columns = Object.fromEntries(axes.map((name) => [name, table.numbers[name]!]));
  const t = table.numbers['t_s']!;
  const noted = notedRange(table.notes['range_min'], table.notes['range_max']);
  if (!noted.ok) return noted;
  const rate = notedRate(table);
  if (!rate.ok) return rate;
  const started = startedNote(table.notes, 'recorded');
  if (!started.ok) return started;
  const scale = notedScale(table);
  if (!scale.ok) return scale;
  const [rangeMin, rangeMax] = noted.value ?? extent(columns);
  const runs = runsFromLabels(table.words['phase']!);
  const fault =
    captureFault({ t, axes: columns, rangeMin, rangeMax, runs }, ranged, (i) => table.firstRow + i) ??
    (rangeMax > rangeMin ? null : flat(axes, table)) ??
    slowClock(t, rate.value, table);
  if (fault) return fail(fault);
  const remarks = [
    ...(noted.value
      ? []
      : ["The file does not note the device's range; what the samples cover stands in for it."]),
    ...otherRate(t, rate.value),
  ];
  return succeed({
    t,
    runs,
    axes: columns,
    device: oneLine(table.notes['device'] ?? '').slice(0, LONGEST_DEVICE),
    rangeMin,
    rangeMax,
    rateHz: rate.value,
    ...(started.value === null ? {} : { startedMs: started.value }),
    ...(scale.value === null ? {} : { countsPerDegree: scale.value }),
    ...(remarks.length > 0 ? { remarks } : {}),
  });
}

/** Writes a capture so that reading it gives the same bits. */
export function writeCaptureCsv(recording: Recording): string {
  const axes = AXIS_NAMES.filter((name) => recording.axes[name]);
  const labels: string[] = [];
  for (const run of recording.runs) for (let i = run.from; i < run.to; i++) labels.push(run.label);
  const columns = axes.map((name) => recording.axes[name]!);
  return writeTable(
    {
      device: oneLine(recording.device),
      range_min: recording.rangeMin,
      range_max: recording.rangeMax,
      rate_hz: recording.rateHz,
      ...(recording.countsPerDegree === undefined ? {} : { counts_per_degree: recording.countsPerDegree }),
      ...(recording.startedMs === undefined ? {} : { started: new Date(recording.startedMs).toISOString() }),
    },
    ['t_s', 'phase', ...axes],
    recording.t.length,
    (column, row) =>
      column === 0 ? recording.t[row]! : column === 1 ? labels[row]! : columns[column - 2]![row]!,
  );
}

function notedRate({ notes }: Table): Outcome<number | null> {
  const said = notes['rate_hz'];
  if (said === undefined) return succeed(null);
  const rate = said.trim() === '' ? NaN : Number(said);
  if (rate >= RATE_RANGE[0] && rate <= RATE_RANGE[1]) return succeed(rate);
  return fail({
    code: 'bad-rate',
    message: `The notes give a rate of ${quoted(said)}.`,
    place: { row: 1 },
    remedy: `rate_hz is a number from ${RATE_RANGE[0]} to ${RATE_RANGE[1]}; leave it out where it is not known.`,
  });
}

function notedScale({ notes }: Table): Outcome<number | null> {
  const said = notes['counts_per_degree'];
  if (said === undefined) return succeed(null);
  const scale = said.trim() === '' ? NaN : Number(said);
  if (isCountsPerDegree(scale)) return succeed(scale);
  return fail({
    code: 'bad-scale',
    message: `The notes give ${quoted(said)} counts per degree.`,
    place: { row: 1 },
    remedy: `counts_per_degree is a number other than 0, below it where the reading falls to the left; at most ${MOST_COUNTS_PER_DEGREE}.`,
  });
}

/** Slower than this, with a rate noted that is about a thousand times as high, `t_s` holds milliseconds. */
const SLOWEST_HZ = 2;
const THOUSAND_FROM = 300;
const THOUSAND_TO = 3000;

function slowClock(t: Float64Array, notedHz: number | null, table: Table): Problem | null {
  const measured = measuredRate(t);
  const ratio = (notedHz ?? 0) / measured;
  if (!(measured > 0 && measured < SLOWEST_HZ && ratio > THOUSAND_FROM && ratio < THOUSAND_TO)) return null;
  return {
    code: 'wrong-unit',
    message: `The samples are ${(1 / measured).toFixed(1)} s apart, and the notes say ${notedHz} Hz: the times are in milliseconds.`,
    place: { row: table.firstRow + 1, column: 't_s' },
    remedy: 'Divide the times by 1000; t_s is in seconds.',
  };
}

/** The rows count; a note that says something quite different is said. */
const OTHER_RATE = 2;

function otherRate(t: Float64Array, notedHz: number | null): string[] {
  const measured = measuredRate(t);
  if (notedHz === null || measured === 0) return [];
  const ratio = notedHz / measured;
  return ratio > OTHER_RATE || ratio < 1 / OTHER_RATE
    ? [`The notes say ${notedHz} Hz, the samples come at ${measured.toPrecision(3)} Hz: the samples count.`]
    : [];
}

function extent(columns: Partial<Record<AxisName, Float64Array>>): [number, number] {
  let least = Infinity;
  let most = -Infinity;
  for (const column of Object.values(columns))
    for (const value of column) {
      least = Math.min(least, value);
      most = Math.max(most, value);
    }
  return [least, most];
}

function flat(axes: readonly AxisName[], table: Table): Problem {
  return {
    code: 'flat-axis',
    message: 'No axis ever moves, and the file does not note the range of the device.',
    place: { row: table.firstRow, column: axes[0]! },
    remedy: 'Record the axis while it is moved.',
  };
}
