import { growingColumns } from '../numeric/growingColumns';
import { fail, succeed, type Outcome, type Problem } from '../problem';
import { MOST_ROWS } from '../rides/clock';
import { quoted } from '../text/line';
import { wholeRows } from './wholeRows';

/** A CSV file of ours: `# key: value` notes, one header row, then data (RFC 4180, UTF-8, comma, decimal point). */
export interface Table {
  notes: Record<string, string>;
  header: string[];
  length: number;
  numbers: Record<string, Float64Array>;
  /** Cells of the columns that hold words. */
  words: Record<string, string[]>;
  /** Line of the file on which row 0 stands, the first line being 1. */
  firstRow: number;
}

/** The columns of a format: those that hold words, with what such a word may be; all others hold numbers. */
export interface TableFormat {
  known: readonly string[];
  needed: readonly string[];
  words: Record<string, { accepts(word: string): boolean; what: string; code: string; remedy: string }>;
  /** Refuses a header whose columns are all known, and yet make no such file. */
  lacks?(header: readonly string[]): { code: string; message: string; remedy: string } | null;
}

/** More faults than this say no more; the rest are counted. */
const MOST_PROBLEMS = 5;
const NOTE_KEY = /^[A-Za-z]\w{0,59}$/;
/** `Number` also takes what no spreadsheet writes: hexadecimal, octal and binary. */
const OTHER_BASE = /[xob]/i;

/** Reads a table in one pass over its text. Every fault is named with its line and column. */
export function readTable(text: string, format: TableFormat): Outcome<Table> {
  const { notes, at, line } = readNotes(text);
  const rows = wholeRows(text, at);
  const first = rows.next();
  if (first.done)
    return fail({
      code: 'empty-file',
      message: 'There is no header and no data.',
      place: { row: line },
      remedy: 'The first row after the notes names the columns, one sample a row follows.',
    });
  const firstRow = line + 1;
  const header = first.value.map((name) => name.trim());
  const wrong = checkHeader(header, line, format);
  if (wrong.length > 0) return fail(...wrong);

  const problems = problemList();
  const numeric = header.filter((name) => !Object.hasOwn(format.words, name));
  const numbers = growingColumns(numeric);
  const words = new Map(
    header.flatMap((name): [string, string[]][] => (Object.hasOwn(format.words, name) ? [[name, []]] : [])),
  );
  const values: number[] = numeric.map(() => 0);
  let length = 0;
  for (const cells of rows) {
    const row = firstRow + length++;
    if (length > MOST_ROWS) return fail(tooLong(row));
    if (cells.length !== header.length) {
      problems.add({
        code: 'ragged',
        message: `The row has ${cells.length} cells, the header ${header.length}.`,
        place: { row },
        remedy: 'Every row has a cell for every column; a cell with a comma stands in quotes.',
      });
      continue;
    }
    let k = 0;
    for (let i = 0; i < cells.length; i++) {
      const name = header[i]!;
      const cell = cells[i]!;
      const list = words.get(name);
      if (!list) {
        const value = cell.trim() === '' || OTHER_BASE.test(cell) ? NaN : Number(cell);
        if (!Number.isFinite(value)) problems.add(notANumber(cell, row, name));
        values[k++] = value;
        continue;
      }
      const word = cell.trim();
      const rule = format.words[name]!;
      if (word !== list.at(-1) && !rule.accepts(word))
        problems.add({
          code: rule.code,
          message: `${quoted(word)} is not ${rule.what}.`,
          place: { row, column: name },
          remedy: rule.remedy,
        });
      list.push(word);
    }
    numbers.push(values);
  }
  if (length === 0)
    return fail({
      code: 'no-data',
      message: 'There is a header but no data below it.',
      place: { row: line },
      remedy: 'One sample a row.',
    });
  const found = problems.all();
  if (found.length > 0) return fail(...found);
  return succeed({
    notes,
    header,
    length,
    numbers: numbers.finish(),
    words: Object.fromEntries(words),
    firstRow,
  });
}

/** The `# key: value` lines above the header; a line without a key is a remark, and passed over. */
function readNotes(text: string) {
  const notes: Record<string, string> = {};
  let at = text.startsWith('\uFEFF') ? 1 : 0;
  let line = 1;
  while (text[at] === '#') {
    const end = text.indexOf('\n', at);
    const note = text.slice(at + 1, end < 0 ? undefined : end).trim();
    const colon = note.indexOf(':');
    const key = note.slice(0, Math.max(0, colon)).trim();
    if (NOTE_KEY.test(key) && !(key in {})) notes[key] = note.slice(colon + 1).trim();
    at = end < 0 ? text.length : end + 1;
    line++;
  }
  return { notes, at, line };
}

function notANumber(cell: string, row: number, column: string): Problem {
  return {
    code: 'not-a-number',
    message: cell.trim() === '' ? 'The cell is empty.' : `${quoted(cell)} is not a number.`,
    place: { row, column },
    remedy: 'Write a finite number with a decimal point.',
  };
}

function tooLong(row: number): Problem {
  return {
    code: 'too-long',
    message: `There are more than ${MOST_ROWS} rows.`,
    place: { row },
    remedy: 'Record or export a shorter stretch.',
  };
}

/** Refuses columns that a format does not know, columns that stand twice, and needed ones that are missing. */
function checkHeader(header: readonly string[], row: number, format: TableFormat): Problem[] {
  const known = new Set(format.known);
  const seen = new Set<string>();
  const problems: Problem[] = [];
  const add = (code: string, name: string, message: string, remedy: string) =>
    problems.push({ code, message, place: { row, column: quoted(name).slice(1, -1) }, remedy });
  for (const name of header) {
    if (!known.has(name))
      add('unknown-column', name, 'This column is not known.', `Known are: ${format.known.join(', ')}.`);
    else if (seen.has(name)) add('column-twice', name, 'This column stands twice.', 'Keep one of them.');
    seen.add(name);
    if (problems.length >= MOST_PROBLEMS) return problems;
  }
  for (const name of format.needed)
    if (!seen.has(name))
      add('column-missing', name, 'This column is missing.', `Needed are: ${format.needed.join(', ')}.`);
  const lack = problems.length === 0 ? (format.lacks?.(header) ?? null) : null;
  if (lack) problems.push({ ...lack, place: { row } });
  return problems.slice(0, MOST_PROBLEMS);
}

/** Collects the first few faults of a file and says how many there are beyond them. */
function problemList() {
  const kept: Problem[] = [];
  let more = 0;
  return {
    add(problem: Problem) {
      if (kept.length < MOST_PROBLEMS) kept.push(problem);
      else more++;
    },
    all(): Problem[] {
      const last = kept.at(-1);
      if (!last || more === 0) return kept;
      const sentence = last.message.replace(/\.$/, '');
      return [...kept.slice(0, -1), { ...last, message: `${sentence} (and ${more} more such faults).` }];
    },
  };
}

/** Notes, header and rows as CSV text; numbers in full precision so that reading gives the same bits. */
export function writeTable(
  notes: Record<string, string | number | null>,
  header: readonly string[],
  length: number,
  cell: (column: number, row: number) => string | number,
): string {
  const lines = Object.entries(notes).flatMap(([key, value]) =>
    value === null ? [] : [`# ${key}: ${value}`],
  );
  lines.push(header.join(','));
  for (let row = 0; row < length; row++) {
    const cells: string[] = [];
    for (let column = 0; column < header.length; column++) cells.push(inQuotes(cell(column, row)));
    lines.push(cells.join(','));
  }
  return `${lines.join('\n')}\n`;
}

function inQuotes(value: string | number): string {
  // -0 is the one number that a text does not keep by itself; none needs quotes.
  if (typeof value === 'number') return Object.is(value, -0) ? '-0' : String(value);
  return /[",\n\r]/.test(value) ? `"${value.replaceAll('"', '""')}"` : value;
}
