import { createHash } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import { writeBookJson, type BookDocument } from '@/core/formats/bookJson';
import { writeCaptureCsv } from '@/core/formats/captureCsv';
import { writeRideCsv } from '@/core/formats/rideCsv';
import { fail, succeed, type Outcome } from '@/core/problem';
import { RIDE_COLUMNS, type RideLog } from '@/core/rides/rideLog';
import { archiveWriter } from './archive';
import { BOOK_FILE, readBackup } from './readBackup';
import { loadColumns, type Columns } from './samples';

/** Where the samples of a recording are had from, as the book stores them; `null` where they are gone by now. */
export type SampleSource = (kind: 'capture' | 'ride', id: string) => Promise<Uint8Array[] | null>;

/** The book changed while it was saved: it has to be saved again. */
const CHANGED = fail<never>({
  code: 'changed-meanwhile',
  message: 'A recording was taken away while the book was saved.',
  place: {},
  remedy: 'Save it again.',
});

/**
 * Writes a book as a `.zip`, reads that back as a restore would, and calls it good only where it is the same book to the
 * last bit.
 */
export async function saveBackup(
  path: string,
  document: BookDocument,
  samplesOf: SampleSource,
  progress: (done: number, of: number) => Promise<void> | void,
): Promise<Outcome<true>> {
  const archive = archiveWriter(path);
  const written = new Map<string, string>();
  const recordings = document.captures.length + document.rides.length;
  const steps = 2 * recordings;
  let done = 0;
  await archive.add(BOOK_FILE, writeBookJson(document));
  for (const { id, file, head } of document.captures) {
    const stored = await samplesOf('capture', id);
    if (!stored) return CHANGED;
    const { t = new Float64Array(0), ...axes } = loadColumns(stored);
    written.set(`capture ${id}`, fingerprint(t.length > 0 ? { t, ...axes } : {}));
    const { device, rangeMin, rangeMax, rateHz, runs } = head;
    await archive.add(file, writeCaptureCsv({ t, axes, device, rangeMin, rangeMax, rateHz, runs }));
    await progress(++done, steps);
  }
  for (const { id, file, head } of document.rides) {
    const stored = await samplesOf('ride', id);
    if (!stored) return CHANGED;
    const columns = loadColumns(stored);
    written.set(`ride ${id}`, fingerprint(columns));
    await archive.add(file, writeRideCsv({ columns: columns as RideLog['columns'], notes: head.notes }));
    await progress(++done, steps);
  }
  await archive.finish();

  const differing: string[] = [];
  const read = await readBackup(path, document.madeAtMs, {
    book: () => undefined,
    recording({ kind, id, columns }) {
      if (fingerprint(columns) !== written.get(`${kind} ${id}`)) differing.push(`${kind} ${id}`);
    },
    progress: (n) => progress(recordings + n, steps),
  });
  if (!read.ok) return read;
  const asWritten: unknown = JSON.parse(JSON.stringify(document));
  const asRead: unknown = JSON.parse(JSON.stringify(read.value));
  if (differing.length === 0 && isDeepStrictEqual(asRead, asWritten)) return succeed(true);
  return fail({
    code: 'not-the-same',
    message: `What was written does not read back as it is in the book (${differing[0] ?? BOOK_FILE}).`,
    place: {},
    remedy: 'Please report this; the book itself is as it was.',
  });
}

/** Tells whether two sets of columns are the same to the bit, whatever order they stand in. */
function fingerprint(columns: Columns): string {
  const hash = createHash('sha256');
  for (const name of [...Object.keys(columns)].sort(byPlace)) {
    const { buffer, byteOffset, byteLength } = columns[name]!;
    hash.update(`${name} ${byteLength} `).update(new Uint8Array(buffer, byteOffset, byteLength));
  }
  return hash.digest('hex');
}

const byPlace = (a: string, b: string) =>
  RIDE_COLUMNS.indexOf(a as never) - RIDE_COLUMNS.indexOf(b as never) || (a < b ? -1 : 1);
