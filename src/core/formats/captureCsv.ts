import { AXIS_NAMES, measuredRate, runsFromLabels, type AxisName, type Recording } from '../axes/recording';
import { fail, succeed, type Outcome, type Problem } from '../problem';
import {
  checkHeader,
  numericColumns,
  problemList,
  readTable,
  timeFault,
  writeTable,
  type Table,
} from './table';

const LABEL = /^(rest|cover|takeup|sweep|press|idle|hold:[+-]?\d+(\.\d+)?|gate:-?\d+)$/;
const LABELS_IN_WORDS = 'rest, cover, takeup, sweep, press, idle, hold:<degrees>, gate:<n>';

/** Reads a `*.capture.csv`. Every fault is named with its line and column. */
export function readCaptureCsv(text: string): Outcome<Recording> {
  const read = readTable(text);
  if (!read.ok) return read;
  const table = read.value;
  const axes = AXIS_NAMES.filter((name) => table.header.includes(name));
  const headerProblems = checkHeader(table, ['t_s', 'phase', ...AXIS_NAMES], ['t_s', 'phase']);
  if (headerProblems.length === 0 && axes.length === 0) headerProblems.push(noAxis(table));
  if (headerProblems.length > 0) return fail(...headerProblems);

  const numbers = numericColumns(table, ['t_s', ...axes]);
  if (!numbers.ok) return numbers;
  const t = numbers.value['t_s']!;
  const backwards = timeFault(table, t);
  if (backwards) return fail(backwards);

  const phaseColumn = table.header.indexOf('phase');
  const labels = table.rows.map((row) => (row[phaseColumn] ?? '').trim());
  const labelProblems = wrongLabels(table, labels);
  if (labelProblems.length > 0) return fail(...labelProblems);

  const columns = Object.fromEntries(axes.map((name) => [name, numbers.value[name]!]));
  const range = readRange(table, columns);
  if (!range.ok) return range;
  const rate = Number(table.notes['rate_hz']);
  const slow = slowClock(t, rate, table);
  if (slow) return fail(slow);
  return succeed({
    t,
    runs: runsFromLabels(labels),
    axes: columns,
    device: table.notes['device'] ?? '',
    ...range.value,
    rateHz: table.notes['rate_hz'] !== undefined && rate > 0 ? rate : null,
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
      device: recording.device,
      range_min: recording.rangeMin,
      range_max: recording.rangeMax,
      rate_hz: recording.rateHz,
    },
    ['t_s', 'phase', ...axes],
    recording.t.length,
    (column, row) =>
      column === 0 ? recording.t[row]! : column === 1 ? labels[row]! : columns[column - 2]![row]!,
  );
}

/** Slower than this, with a rate noted that is about a thousand times as high, `t_s` holds milliseconds. */
const SLOWEST_HZ = 2;
const THOUSAND_FROM = 300;
const THOUSAND_TO = 3000;

function slowClock(t: Float64Array, notedHz: number, table: Table): Problem | null {
  const measured = measuredRate(t);
  const ratio = notedHz / measured;
  if (!(measured > 0 && measured < SLOWEST_HZ && ratio > THOUSAND_FROM && ratio < THOUSAND_TO)) return null;
  return {
    code: 'wrong-unit',
    message: `The samples are ${(1 / measured).toFixed(1)} s apart, and the notes say ${notedHz} Hz: the times are in milliseconds.`,
    place: { row: table.firstRow + 1, column: 't_s' },
    remedy: 'Divide the times by 1000; t_s is in seconds.',
  };
}

function noAxis(table: Table): Problem {
  return {
    code: 'no-axis',
    message: 'No column holds an axis.',
    place: { row: table.firstRow - 1 },
    remedy: `Add at least one of: ${AXIS_NAMES.join(', ')}.`,
  };
}

function wrongLabels(table: Table, labels: string[]): Problem[] {
  const problems = problemList();
  labels.forEach((label, i) => {
    if (i > 0 && label === labels[i - 1]) return;
    if (LABEL.test(label)) return;
    problems.add({
      code: 'unknown-phase',
      message: `"${label}" is not a phase.`,
      place: { row: table.firstRow + i, column: 'phase' },
      remedy: `Phases are: ${LABELS_IN_WORDS}.`,
    });
  });
  return problems.all();
}

type Range = Pick<Recording, 'rangeMin' | 'rangeMax' | 'remarks'>;

/** The device's range from the notes, checked against the samples; without notes, what the samples cover. */
function readRange(table: Table, columns: Partial<Record<AxisName, Float64Array>>): Outcome<Range> {
  const low = Number(table.notes['range_min']);
  const high = Number(table.notes['range_max']);
  const noted = table.notes['range_min'] !== undefined && table.notes['range_max'] !== undefined;
  if (noted && !(high > low))
    return fail({
      code: 'bad-range',
      message: `The notes give a range from ${table.notes['range_min']} to ${table.notes['range_max']}.`,
      place: { row: 1 },
      remedy: 'range_min and range_max are numbers, the second greater.',
    });
  const problems = problemList();
  let least = Infinity;
  let most = -Infinity;
  for (const [name, column] of Object.entries(columns))
    for (let i = 0; i < column.length; i++) {
      const value = column[i]!;
      least = Math.min(least, value);
      most = Math.max(most, value);
      if (noted && (value < low || value > high))
        problems.add({
          code: 'out-of-range',
          message: `${value} lies outside the device's range.`,
          place: { row: table.firstRow + i, column: name },
          remedy: `The notes say ${low} to ${high}; correct the notes or the sample.`,
        });
    }
  const found = problems.all();
  if (found.length > 0) return fail(...found);
  if (noted) return succeed({ rangeMin: low, rangeMax: high });
  const remark = "The file does not note the device's range; what the samples cover stands in for it.";
  return succeed({ rangeMin: least, rangeMax: most, remarks: [remark] });
}
