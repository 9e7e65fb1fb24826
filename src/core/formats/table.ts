import Papa from 'papaparse';
import { fail, succeed, type Outcome, type Problem } from '../problem';

/** A CSV file of ours: `# key: value` notes, one header row, then data (RFC 4180, UTF-8, comma, decimal point). */
export interface Table {
  notes: Record<string, string>;
  header: string[];
  rows: string[][];
  /** Line of the file on which `rows[0]` stands, the first line being 1. */
  firstRow: number;
}

/** More faults than this say no more; the rest are counted. */
const MOST_PROBLEMS = 5;

export function readTable(text: string): Outcome<Table> {
  const notes: Record<string, string> = {};
  let at = text.startsWith('\uFEFF') ? 1 : 0;
  let line = 1;
  while (text[at] === '#') {
    const end = text.indexOf('\n', at);
    const note = text.slice(at + 1, end < 0 ? undefined : end).trim();
    const colon = note.indexOf(':');
    if (colon > 0) notes[note.slice(0, colon).trim()] = note.slice(colon + 1).trim();
    at = end < 0 ? text.length : end + 1;
    line++;
  }
  const body = text.slice(at);
  if (body.trim() === '')
    return fail({
      code: 'empty-file',
      message: 'There is no header and no data.',
      place: { row: line },
      remedy: 'The first row after the notes names the columns, one sample a row follows.',
    });
  const parsed = Papa.parse<string[]>(body, { delimiter: ',', skipEmptyLines: false });
  const rows = parsed.data;
  while (rows.length > 0 && rows.at(-1)!.length === 1 && rows.at(-1)![0] === '') rows.pop();
  const header = (rows.shift() ?? []).map((name) => name.trim());
  if (rows.length === 0)
    return fail({
      code: 'no-data',
      message: 'There is a header but no data below it.',
      place: { row: line },
      remedy: 'One sample a row.',
    });
  return succeed({ notes, header, rows, firstRow: line + 1 });
}

/** Refuses columns that a format does not know, columns that stand twice, and needed ones that are missing. */
export function checkHeader(table: Table, known: readonly string[], needed: readonly string[]): Problem[] {
  const row = table.firstRow - 1;
  const unknown = table.header.filter((name) => !known.includes(name));
  const twice = table.header.filter((name, i) => table.header.indexOf(name) !== i);
  const missing = needed.filter((name) => !table.header.includes(name));
  const problem = (code: string, name: string, message: string, remedy: string): Problem => ({
    code,
    message,
    place: { row, column: name },
    remedy,
  });
  return [
    ...unknown.map((name) =>
      problem('unknown-column', name, 'This column is not known.', `Known are: ${known.join(', ')}.`),
    ),
    ...twice.map((name) => problem('column-twice', name, 'This column stands twice.', 'Keep one of them.')),
    ...missing.map((name) =>
      problem('column-missing', name, 'This column is missing.', `Needed are: ${needed.join(', ')}.`),
    ),
  ].slice(0, MOST_PROBLEMS);
}

/** Collects the first few faults of a file and says how many there are beyond them. */
export function problemList() {
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

/** Reads named columns as finite numbers; every cell that is not one is named with row and column. */
export function numericColumns(
  table: Table,
  names: readonly string[],
): Outcome<Record<string, Float64Array>> {
  const problems = problemList();
  const out: Record<string, Float64Array> = {};
  for (const name of names) {
    const index = table.header.indexOf(name);
    const column = new Float64Array(table.rows.length);
    for (let i = 0; i < table.rows.length; i++) {
      const cell = table.rows[i]![index];
      const value = cell === undefined || cell.trim() === '' ? NaN : Number(cell);
      if (!Number.isFinite(value))
        problems.add({
          code: 'not-a-number',
          message:
            cell === undefined || cell.trim() === '' ? 'The cell is empty.' : `"${cell}" is not a number.`,
          place: { row: table.firstRow + i, column: name },
          remedy: 'Write a finite number with a decimal point.',
        });
      column[i] = value;
    }
    out[name] = column;
  }
  const found = problems.all();
  return found.length > 0 ? fail(...found) : succeed(out);
}

/** The first place where time runs backwards, if any. */
export function timeFault(table: Table, t: Float64Array): Problem | null {
  for (let i = 1; i < t.length; i++)
    if (t[i]! < t[i - 1]!)
      return {
        code: 'time-backwards',
        message: `Time runs backwards, from ${t[i - 1]} s to ${t[i]} s.`,
        place: { row: table.firstRow + i, column: 't_s' },
        remedy: 'Time may pause or be uneven but must never fall.',
      };
  return null;
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
    for (let column = 0; column < header.length; column++) cells.push(quoted(cell(column, row)));
    lines.push(cells.join(','));
  }
  return `${lines.join('\n')}\n`;
}

function quoted(value: string | number): string {
  const text = String(value);
  return /[",\n\r]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
}
