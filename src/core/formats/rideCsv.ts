import { fail, succeed, type Outcome } from '../problem';
import { RIDE_COLUMNS, SURFACES, type RideColumn, type RideLog } from '../rides/rideLog';
import {
  checkHeader,
  numericColumns,
  problemList,
  readTable,
  timeFault,
  writeTable,
  type Table,
} from './table';

/** Reads a `*.ride.csv`: `t_s` and at least one more of the known columns. */
export function readRideCsv(text: string): Outcome<RideLog> {
  const read = readTable(text);
  if (!read.ok) return read;
  const table = read.value;
  const problems = checkHeader(table, RIDE_COLUMNS, ['t_s']);
  if (problems.length === 0 && table.header.length < 2)
    problems.push({
      code: 'no-channel',
      message: 'There is time but nothing else.',
      place: { row: table.firstRow - 1 },
      remedy: `Add at least one of: ${RIDE_COLUMNS.slice(1).join(', ')}.`,
    });
  if (problems.length > 0) return fail(...problems);
  const numeric = table.header.filter((name) => name !== 'surface');
  const numbers = numericColumns(table, numeric);
  if (!numbers.ok) return numbers;
  const t = numbers.value['t_s']!;
  const backwards = timeFault(table, t);
  if (backwards) return fail(backwards);
  const columns: RideLog['columns'] = { ...numbers.value, t_s: t };
  if (table.header.includes('surface')) {
    const surface = readSurface(table);
    if (!surface.ok) return surface;
    columns.surface = surface.value;
  }
  return succeed({ columns, notes: table.notes });
}

function readSurface(table: Table): Outcome<Float64Array> {
  const problems = problemList();
  const index = table.header.indexOf('surface');
  const out = Float64Array.from(table.rows, (row, i) => {
    const code = SURFACES.indexOf((row[index] ?? '').trim() as (typeof SURFACES)[number]);
    if (code < 0)
      problems.add({
        code: 'unknown-surface',
        message: `"${row[index] ?? ''}" is not a surface.`,
        place: { row: table.firstRow + i, column: 'surface' },
        remedy: `Surfaces are: ${SURFACES.join(', ')}.`,
      });
    return code;
  });
  const found = problems.all();
  return found.length > 0 ? fail(...found) : succeed(out);
}

/** Writes a ride so that reading it gives the same bits. */
export function writeRideCsv(log: RideLog): string {
  const header = RIDE_COLUMNS.filter((name): name is RideColumn => log.columns[name] !== undefined);
  const data = header.map((name) => log.columns[name]!);
  return writeTable(log.notes, header, log.columns.t_s.length, (column, row) =>
    header[column] === 'surface' ? SURFACES[data[column]![row]!]! : data[column]![row]!,
  );
}
