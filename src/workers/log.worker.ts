import { expose } from 'comlink';
import { readForeignSheet, type ForeignSheet } from '@/core/import/foreignSheet';
import { importRide, type ChosenColumn, type ImportedRide } from '@/core/import/importRide';
import { matchColumns, type ColumnMatch } from '@/core/import/matchColumns';
import { succeed, type Outcome } from '@/core/problem';

/** A log as it is shown before anything is kept: its columns without their thousands of values. */
export interface LogPreview {
  columns: { name: string; unit: string | null; shown: string[] }[];
  matches: ColumnMatch[];
  rows: number;
  /** What was found out about the file, in words. */
  found: string;
}

let opened: ForeignSheet | null = null;

const SIGNS: Record<string, string> = { ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'bars' };

const api = {
  /** Reads a log and guesses what its columns are; nothing of it is kept yet. */
  read(text: string): Outcome<LogPreview> {
    const read = readForeignSheet(text);
    if (!read.ok) return read;
    opened = read.value;
    const { columns, delimiter, decimal, headerRow, unitRow } = opened;
    const units = unitRow === null ? '' : `, units on line ${unitRow}`;
    return succeed({
      columns: columns.map(({ name, unit, shown }) => ({ name, unit, shown })),
      matches: matchColumns(opened),
      rows: columns[0]?.values.length ?? 0,
      found: `split by ${SIGNS[delimiter]}, decimal ${decimal === ',' ? 'comma' : 'point'}, names on line ${headerRow}${units}`,
    });
  },
  /** The log that was read last, as a ride of ours. */
  take(chosen: ChosenColumn[]): Outcome<ImportedRide> {
    if (!opened) throw new Error('no log was read yet');
    return importRide(opened, chosen);
  },
};

export type LogWorker = typeof api;

expose(api);
