import Papa from 'papaparse';
import { MOST_COLUMNS } from './rideUnits';
import { fail, succeed, type Outcome } from '../problem';

/** One column of somebody else's log, as it stands in the file. */
export interface ForeignColumn {
  name: string;
  /** Unit as the file writes it, from its own row or from brackets in the name. */
  unit: string | null;
  /** Values; a cell that is no number is NaN. */
  values: Float64Array;
  /** First cells as they are written. */
  shown: string[];
}

/** A log in whatever shape it came: what was found out about it, and its columns. */
export interface ForeignSheet {
  delimiter: string;
  decimal: '.' | ',';
  /** Lines of the file, the first being 1. */
  headerRow: number;
  unitRow: number | null;
  firstRow: number;
  columns: ForeignColumn[];
}

const DELIMITERS = [',', ';', '\t', '|'];
/** What stands above the header: titles, dates, the car. */
const MOST_PREAMBLE = 60;
const LOOKED_AT = 200;
const SHOWN = 4;
const LARGEST_ROWS = 4_000_000;
/** Names, units and numbers are shorter; what is longer is cut, and read no further. */
const LONGEST_CELL = 200;

const refuse = (code: string, message: string, remedy: string, row?: number) =>
  fail({ code, message, place: row === undefined ? {} : { row }, remedy });

/** Finds delimiter, decimal sign, header, units and data of a log that nobody has described. */
export function readForeignSheet(text: string): Outcome<ForeignSheet> {
  const body = text.startsWith('\uFEFF') ? text.slice(1) : text;
  if (body.trim() === '')
    return refuse('empty-file', 'The file is empty.', 'Export a ride from the title or its logger.');
  if (body.includes('\u0000'))
    return refuse('not-text', 'This is not a text file.', 'Export the log as CSV.');
  const delimiter = delimiterOf(body);
  const parsed = Papa.parse<string[]>(body, { delimiter, skipEmptyLines: false });
  const rows = parsed.data;
  const wide = rows.findIndex((row) => row.length > MOST_COLUMNS);
  if (wide >= 0)
    return refuse(
      'too-wide',
      `The row has ${rows[wide]!.length} columns.`,
      `At most ${MOST_COLUMNS} are read; export fewer channels.`,
      wide + 1,
    );
  for (const row of rows) for (let k = 0; k < row.length; k++) row[k] = row[k]!.trim().slice(0, LONGEST_CELL);
  if (rows.length > LARGEST_ROWS)
    return refuse('too-long', `The log has ${rows.length} rows.`, `At most ${LARGEST_ROWS} are read.`);
  const decimal = decimalOf(rows, delimiter);
  const read = (cell: string | undefined) => toNumber(cell, decimal);
  const first = firstDataRow(rows, read);
  if (first === null)
    return refuse(
      'no-data',
      'No rows of numbers were found.',
      'One sample a row, columns split by comma, semicolon, tab or bar.',
    );
  const width = rows[first]!.length;
  const { header, units } = headOf(rows, first, width);
  if (header === null)
    return refuse('no-header', 'No row names the columns.', 'Export with a header row.', first + 1);
  const data = rows.slice(first).filter((row) => row.length > 1 || row[0] !== '');
  const columns = rows[header]!.map((cell, k): ForeignColumn => {
    const { name, unit } = nameAndUnit(cell);
    return {
      name,
      unit: (units === null ? null : cleanUnit(rows[units]![k] ?? '')) ?? unit,
      values: Float64Array.from(data, (row) => read(row[k])),
      shown: data.slice(0, SHOWN).map((row) => row[k] ?? ''),
    };
  });
  return succeed({
    delimiter,
    decimal,
    headerRow: header + 1,
    unitRow: units === null ? null : units + 1,
    firstRow: first + 1,
    columns: columns.filter(({ name }, k) => name !== '' || rows[first]![k] !== ''),
  });
}

/** The sign that splits the most lines into equally many cells. */
function delimiterOf(text: string): string {
  const lines = text.slice(0, 200_000).split(/\r?\n/).filter(Boolean).slice(0, LOOKED_AT);
  const score = (sign: string) => {
    const counts = lines.map((line) => line.split(sign).length);
    const usual = mode(counts);
    return usual < 2 ? 0 : usual * counts.filter((n) => n === usual).length;
  };
  const scores = DELIMITERS.map((sign) => ({ sign, score: score(sign) }));
  // Where a semicolon splits as many lines, commas are decimal signs.
  const semicolon = scores.find(({ sign }) => sign === ';')!;
  if (semicolon.score > 0 && lines.filter((l) => l.includes(';')).length > lines.length / 2) return ';';
  return scores.reduce((a, b) => (b.score > a.score ? b : a)).sign;
}

function mode(values: number[]): number {
  const counts = new Map<number, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts].reduce((a, b) => (b[1] > a[1] ? b : a), [0, 0])[0];
}

const COMMA_NUMBER = /^[-+]?\d+,\d+$/;

function decimalOf(rows: string[][], delimiter: string): '.' | ',' {
  if (delimiter === ',') return '.';
  const cells = rows.slice(0, LOOKED_AT).flat();
  const commas = cells.filter((cell) => COMMA_NUMBER.test(cell)).length;
  const points = cells.filter((cell) => /^[-+]?\d*\.\d+$/.test(cell)).length;
  return commas > points ? ',' : '.';
}

const CLOCK = /^(?:(\d+):)?(\d+):(\d+(?:[.,]\d+)?)$/;

/** A number, or a clock (h:mm:ss.s) as seconds; NaN for anything else. */
function toNumber(cell: string | undefined, decimal: '.' | ','): number {
  if (cell === undefined || cell === '') return NaN;
  const clock = CLOCK.exec(cell);
  if (clock) {
    const [, hours = '0', minutes, seconds] = clock;
    return 3600 * Number(hours) + 60 * Number(minutes) + Number(seconds!.replace(',', '.'));
  }
  // `Number` also takes hexadecimal, octal and binary, which no logger writes.
  if (OTHER_BASE.test(cell)) return NaN;
  return Number(decimal === ',' ? cell.replace(',', '.') : cell);
}

const OTHER_BASE = /[xob]/i;

/** The first row that is mostly numbers and is followed by one of the same width that is too. */
function firstDataRow(rows: string[][], read: (cell: string | undefined) => number): number | null {
  const isData = (row: string[] | undefined) =>
    row !== undefined &&
    row.length > 1 &&
    row.filter((cell) => Number.isFinite(read(cell))).length >= Math.max(1, row.length / 2);
  for (let i = 0; i < Math.min(rows.length, MOST_PREAMBLE); i++)
    if (isData(rows[i]) && (isData(rows[i + 1]) || i === rows.length - 1)) return i;
  return null;
}

const UNIT_ROW = /^[[(]?[a-zA-Z°%/²³·^\-0-9*]{0,8}[\])]?$/;

/** Header and units stand above the data; units are short and come second. */
function headOf(
  rows: string[][],
  first: number,
  width: number,
): { header: number | null; units: number | null } {
  const above = [first - 1, first - 2].filter((i) => i >= 0 && rows[i]!.length >= width - 1);
  const [near, far] = above;
  if (near === undefined) return { header: null, units: null };
  const isUnits =
    far !== undefined && rows[near]!.every((cell) => UNIT_ROW.test(cell)) && isKnown(rows[near]!);
  return isUnits ? { header: far, units: near } : { header: near, units: null };
}

/** At least one cell of a row of units is a unit that is known. */
const isKnown = (row: string[]) => row.some((cell) => KNOWN_UNITS.has(cleanUnit(cell) ?? ''));
const KNOWN_UNITS = new Set(
  's ms m km km/h kmh kph m/s mph % deg ° rad g m/s2 m/s² nm n·m deg/s rad/s °/s'.split(' '),
);

function cleanUnit(cell: string): string | null {
  const unit = cell.replace(/[[\]()]/g, '').trim();
  return unit === '' ? null : unit.toLowerCase();
}

/** Units that people write as the last word of a name. */
const LAST_WORDS = new Set('s ms m km kmh kph mph mps deg rad pct percent g nm'.split(' '));

/** A name, and the unit behind it in brackets or as its last word. Looks at each letter once. */
function nameAndUnit(cell: string): { name: string; unit: string | null } {
  if (cell.endsWith(']') || cell.endsWith(')')) {
    const open = Math.max(cell.lastIndexOf('['), cell.lastIndexOf('('));
    if (open >= 0) return { name: cell.slice(0, open).trimEnd(), unit: cleanUnit(cell.slice(open)) };
  }
  const gap = Math.max(cell.lastIndexOf(' '), cell.lastIndexOf('_'));
  const unit = cell.slice(gap + 1).toLowerCase();
  return gap > 0 && LAST_WORDS.has(unit) ? { name: cell.slice(0, gap), unit } : { name: cell, unit: null };
}
