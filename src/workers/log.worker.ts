import { expose } from 'comlink';
import { readForeignSheet, type ForeignSheet } from '@/core/import/foreignSheet';
import { importRide, type ChosenColumn, type ImportedRide } from '@/core/import/importRide';
import { matchColumns, type ColumnMatch } from '@/core/import/matchColumns';
import { startedOf, type Started } from '@/core/import/startedOf';
import { fail, succeed, type Outcome, type Problem } from '@/core/problem';
import { postColumns } from './postColumns';

/** A log as it is shown before anything is kept: its columns without their thousands of values. */
export interface LogPreview {
  columns: { name: string; unit: string | null; shown: string[] }[];
  matches: ColumnMatch[];
  rows: number;
  /** What was found out about the file, in words. */
  found: string;
}

/** A log that was taken in without being shown row by row. */
export interface KeptLog {
  rows: number;
  started: Started | null;
  /** Whether the trail knows what was set when it was driven. */
  knowsSettings: boolean;
  left: string[];
  missing: string[];
}

/** What a ride that is sent carries beside its columns. */
export interface RideHead {
  trackId: string;
  seed: number;
  settings: Record<string, unknown>;
  notes: Record<string, string>;
}

const LARGEST_MB = 256;
const MB = 1024 * 1024;
/** Names, units and first rows of a log stand in this many bytes. */
const PEEK_BYTES = 128 * 1024;

let opened: ForeignSheet | null = null;

const SIGNS: Record<string, string> = { ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'bars' };

function previewOf(sheet: ForeignSheet): LogPreview {
  const { columns, delimiter, decimal, headerRow, unitRow } = sheet;
  const units = unitRow === null ? '' : `, units on line ${unitRow}`;
  return {
    columns: columns.map(({ name, unit, shown }) => ({ name, unit, shown })),
    matches: matchColumns(sheet),
    rows: columns[0]?.values.length ?? 0,
    found: `split by ${SIGNS[delimiter]}, decimal ${decimal === ',' ? 'comma' : 'point'}, names on line ${headerRow}${units}`,
  };
}

const tooLarge = (file: File): Problem => ({
  code: 'too-large',
  message: `${file.name} has ${Math.round(file.size / MB)} MB.`,
  place: {},
  remedy: `At most ${LARGEST_MB} MB are read; export fewer laps or channels.`,
});

const isTooLarge = (file: File) => file.size > LARGEST_MB * MB;

const api = {
  /** Reads a log and guesses what its columns are; nothing of it is kept yet. */
  async read(file: File): Promise<Outcome<LogPreview>> {
    if (isTooLarge(file)) return fail(tooLarge(file));
    const read = readForeignSheet(await file.text());
    if (!read.ok) return read;
    opened = read.value;
    return succeed(previewOf(opened));
  },
  /** Reads only how a log begins, which tells its source. */
  async peek(file: File): Promise<Outcome<LogPreview>> {
    if (isTooLarge(file)) return fail(tooLarge(file));
    const text = await file.slice(0, PEEK_BYTES).text();
    const read = readForeignSheet(file.size > PEEK_BYTES ? text.slice(0, text.lastIndexOf('\n')) : text);
    return read.ok ? succeed(previewOf(read.value)) : read;
  },
  /** The log that was read last, as a ride of ours. */
  take(chosen: ChosenColumn[]): Outcome<ImportedRide> {
    if (!opened) throw new Error('no log was read yet');
    return importRide(opened, chosen);
  },
  /** Reads a log whose columns are known, and sends it to the book with the time when it was driven. */
  async keep(file: File, chosen: ChosenColumn[], head: RideHead, url: string): Promise<Outcome<KeptLog>> {
    const text = await file.text();
    const read = readForeignSheet(text);
    if (!read.ok) return read;
    const taken = importRide(read.value, chosen);
    if (!taken.ok) return taken;
    const { log, left, missing } = taken.value;
    const t = log.columns.t_s;
    const started = startedOf(text, file.name, file.lastModified, t.at(-1)! - t[0]!, Date.now());
    const notes = {
      ...head.notes,
      ...log.notes,
      file: file.name,
      ...(started && { started: new Date(started.atMs).toISOString() }),
    };
    const sent = { ...head, notes, ...(started && { drivenAtMs: Math.round(started.atMs) }) };
    const answer = await postColumns(url, {
      head: sent,
      columns: log.columns as Record<string, Float64Array>,
    });
    const reply = answer.reply as { ok: boolean; problems?: Problem[]; knowsSettings?: boolean };
    if (!reply.ok) return fail(...(reply.problems ?? []));
    return succeed({ rows: t.length, started, knowsSettings: reply.knowsSettings === true, left, missing });
  },
};

export type LogWorker = typeof api;

expose(api);
