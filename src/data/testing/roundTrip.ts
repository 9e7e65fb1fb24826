import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describeProblem } from '@/core/problem';
import { bookDocument } from '../backup';
import { storedSamples } from '../captures';
import type { Book } from '../openBook';
import { readBackup } from '../readBackup';
import { restoreRecording, restoreRows } from '../restore';
import { storedRide } from '../rides';
import { loadColumns } from '../samples';
import { saveBackup } from '../saveBackup';

/** Saves a book, restores that beside it, and expects the same book: every row of every table, every sample to the bit. */
export async function expectRoundTrip(book: Book): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'pebble-round-'));
  const path = join(folder, 'book.zip');
  const now = Date.now();
  const document = await bookDocument(book.db, now);
  const incoming = await book.incoming();
  try {
    const samplesOf = (kind: 'capture' | 'ride', id: string) =>
      kind === 'capture' ? storedSamples(book.db, id) : storedRide(book.db, id);
    const saved = await saveBackup(path, document, samplesOf, () => undefined);
    expect(saved.ok ? '' : saved.problems.map(describeProblem).join(' ')).toBe('');
    const read = await readBackup(path, now, {
      book: (found) => restoreRows(incoming.db, found),
      recording: (found) => restoreRecording(incoming.db, found),
      progress: () => undefined,
    });
    expect(read.ok).toBe(true);
    expect(await bookDocument(incoming.db, now)).toEqual(document);
    for (const { id } of document.captures)
      expect(loadColumns((await storedSamples(incoming.db, id))!)).toEqual(
        loadColumns((await storedSamples(book.db, id))!),
      );
    for (const { id } of document.rides)
      expect(loadColumns((await storedRide(incoming.db, id))!)).toEqual(
        loadColumns((await storedRide(book.db, id))!),
      );
  } finally {
    await incoming.drop();
    rmSync(folder, { recursive: true });
  }
}
