import { isDeepStrictEqual } from 'node:util';
import { ANALYSIS_VERSION, analyseAxis } from '@/core/axes/analyseAxis';
import { AXIS_NAMES } from '@/core/axes/axes';
import { readBookJson, type BookDocument } from '@/core/formats/bookJson';
import { readCaptureCsv } from '@/core/formats/captureCsv';
import { readRideCsv } from '@/core/formats/rideCsv';
import { describeProblem, fail, succeed, type Outcome, type Problem } from '@/core/problem';
import { quoted } from '@/core/text/line';
import { openArchive, type OpenArchive } from './archive';
import { judgeBook } from './judgeBook';
import { storeColumns, type Columns, type StoredPart } from './samples';

export const BOOK_FILE = 'book.json';

/** The samples of one recording as the book stores them, and what its estimators say. */
export interface ReadRecording {
  kind: 'capture' | 'ride';
  id: string;
  parts: StoredPart[];
  /** Of a kept capture: worked out here, so that nobody waits for it later. */
  analysis: { version: number; result: unknown } | null;
}

/** One recording of a backup that was read whole and judged. */
interface FoundRecording {
  kind: 'capture' | 'ride';
  id: string;
  columns: Columns;
  /** Packs it for a book: for whoever keeps it, and not for whoever only compares. */
  stored(): Promise<ReadRecording>;
}

/** Takes what is read of a backup, piece by piece; the next piece waits until one is taken. */
export interface BackupSink {
  book(document: BookDocument): Promise<void> | void;
  recording(found: FoundRecording): Promise<void> | void;
  progress(done: number, of: number): Promise<void> | void;
}

const MOST_PROBLEMS = 5;

/**
 * Reads a backup whole: the list of its files, the book, every row of every recording. Judged as a whole before any of it
 * is handed on; what is handed on may still be followed by a refusal, and then counts for nothing.
 * @param source a path, or the bytes themselves
 */
export async function readBackup(
  source: string | Buffer,
  nowMs: number,
  sink: BackupSink,
): Promise<Outcome<BookDocument>> {
  const archive = await openArchive(source);
  if (!archive.ok) return archive;
  try {
    return await readWhole(archive.value, nowMs, sink);
  } finally {
    archive.value.close();
  }
}

async function readWhole(
  archive: OpenArchive,
  nowMs: number,
  sink: BackupSink,
): Promise<Outcome<BookDocument>> {
  if (!archive.names.includes(BOOK_FILE))
    return fail(say('no-book', `There is no ${BOOK_FILE} in it.`, 'Choose a .zip that Back up has saved.'));
  const text = await archive.read(BOOK_FILE);
  if (!text.ok) return text;
  const read = readBookJson(text.value);
  if (!read.ok) return fail(...read.problems.map((one) => inFile(BOOK_FILE, one)));
  const book = read.value;
  const wrong = [
    ...judgeBook(book, nowMs).map((one) => inFile(BOOK_FILE, one)),
    ...looseFiles(archive, book),
  ];
  if (wrong.length > 0) return fail(...wrong.slice(0, MOST_PROBLEMS));
  await sink.book(book);

  const problems: Problem[] = [];
  const recordings = [
    ...book.captures.map((row) => ({ file: row.file, read: () => captureIn(archive, row) })),
    ...book.rides.map((row) => ({ file: row.file, read: () => rideIn(archive, row) })),
  ];
  for (const [i, { file, read: open }] of recordings.entries()) {
    const found = await open();
    if (!found.ok) problems.push(...found.problems.map((one) => inFile(file, one)));
    else if (problems.length === 0) await sink.recording(found.value);
    if (problems.length >= MOST_PROBLEMS) break;
    await sink.progress(i + 1, recordings.length);
  }
  return problems.length > 0 ? fail(...problems.slice(0, MOST_PROBLEMS)) : succeed(book);
}

type Found = Outcome<FoundRecording>;

async function captureIn(archive: OpenArchive, row: BookDocument['captures'][number]): Promise<Found> {
  const { id, axis, status, head, rows, file } = row;
  const text = await archive.read(file);
  if (!text.ok) return text;
  const kind = 'capture';
  if (rows === 0)
    return succeed({ kind, id, columns: {}, stored: async () => ({ kind, id, parts: [], analysis: null }) });
  const read = readCaptureCsv(text.value, [axis]);
  if (!read.ok) return read;
  const { t, axes, runs } = read.value;
  if (t.length !== rows)
    return fail(
      say('other-length', `It has ${t.length} rows, ${rows} are announced.`, 'Choose an unchanged backup.'),
    );
  if (!axes[axis] || !isDeepStrictEqual(runs, head.runs))
    return fail(
      say('other-capture', 'Its axes or phases are not those of the capture.', 'Choose an unchanged backup.'),
    );
  const known = AXIS_NAMES.flatMap((name) => (axes[name] ? [[name, axes[name]] as const] : []));
  const columns = { t, ...Object.fromEntries(known) };
  const { device, rangeMin, rangeMax, rateHz } = head;
  const recording = { t, axes, runs, device, rangeMin, rangeMax, rateHz };
  const analysed = () =>
    status === 'kept' ? { version: ANALYSIS_VERSION, result: analyseAxis(recording, axis) } : null;
  const stored = async () =>
    ({ kind, id, parts: await storeColumns(columns), analysis: analysed() }) as const;
  return succeed({ kind, id, columns, stored });
}

async function rideIn(archive: OpenArchive, { id, file }: BookDocument['rides'][number]): Promise<Found> {
  const text = await archive.read(file);
  if (!text.ok) return text;
  const read = readRideCsv(text.value);
  if (!read.ok) return read;
  const kind = 'ride';
  const columns = read.value.columns as Columns;
  const stored = async () => ({ kind, id, parts: await storeColumns(columns), analysis: null }) as const;
  return succeed({ kind, id, columns, stored });
}

/** Files that belong to no row of the book. */
function looseFiles({ names }: OpenArchive, book: BookDocument): Problem[] {
  const known = new Set([
    BOOK_FILE,
    ...book.captures.map((row) => row.file),
    ...book.rides.map((row) => row.file),
  ]);
  return names
    .filter((name) => !known.has(name))
    .map((name) =>
      say('no-row', `${quoted(name)} belongs to nothing in the book.`, 'Choose an unchanged backup.', name),
    );
}

const say = (code: string, message: string, remedy: string, column?: string): Problem => ({
  code,
  message,
  place: column ? { column } : {},
  remedy,
});

function inFile(file: string, one: Problem): Problem {
  if (one.place.column === file) return one;
  return { ...one, message: `${file}, ${describeProblem({ ...one, remedy: '' }).trim()}`, place: {} };
}
