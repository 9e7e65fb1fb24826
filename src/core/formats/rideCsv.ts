import { fail, succeed, type Outcome } from '../problem';
import { rideFault } from '../rides/checkRide';
import { RIDE_COLUMNS, SURFACES, type RideColumn, type RideLog } from '../rides/rideLog';
import { readTable, writeTable, type TableFormat } from './table';

const surfaceOf = (word: string) => SURFACES.indexOf(word as (typeof SURFACES)[number]);

const FORMAT: TableFormat = {
  known: RIDE_COLUMNS,
  needed: ['t_s'],
  words: {
    surface: {
      accepts: (word) => surfaceOf(word) >= 0,
      what: 'a surface',
      code: 'unknown-surface',
      remedy: `Surfaces are: ${SURFACES.join(', ')}.`,
    },
  },
  lacks: (header) =>
    header.length >= 2
      ? null
      : {
          code: 'no-channel',
          message: 'There is time but nothing else.',
          remedy: `Add at least one of: ${RIDE_COLUMNS.slice(1).join(', ')}.`,
        },
};

/** Reads a `*.ride.csv`: `t_s` and at least one more of the known columns. */
export function readRideCsv(text: string): Outcome<RideLog> {
  const read = readTable(text, FORMAT);
  if (!read.ok) return read;
  const { numbers, words, notes, firstRow } = read.value;
  const columns: RideLog['columns'] = { ...numbers, t_s: numbers['t_s']! };
  if (words['surface']) columns.surface = Float64Array.from(words['surface'], surfaceOf);
  const fault = rideFault({ columns }, (sample) => firstRow + sample);
  return fault ? fail(fault) : succeed({ columns, notes });
}

/** Writes a ride so that reading it gives the same bits. */
export function writeRideCsv(log: RideLog): string {
  const header = RIDE_COLUMNS.filter((name): name is RideColumn => log.columns[name] !== undefined);
  const data = header.map((name) => log.columns[name]!);
  return writeTable(log.notes, header, log.columns.t_s.length, (column, row) =>
    header[column] === 'surface' ? SURFACES[data[column]![row]!]! : data[column]![row]!,
  );
}
