import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describeProblem } from '@/core/problem';
import { bookDocument, samplesIn } from '../backup';
import type { Book } from '../openBook';
import { readBackup } from '../readBackup';
import { restoreRecording, restoreRows } from '../restore';
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
    const saved = await saveBackup(path, document, samplesIn(book.db), () => undefined);
    expect(saved.ok ? '' : saved.problems.map(describeProblem).join(' ')).toBe('');
    const read = await readBackup(path, now, {
      book: (found) => restoreRows(incoming.db, found),
      recording: async (found) => restoreRecording(incoming.db, await found.stored()),
      progress: () => undefined,
    });
    expect(read.ok).toBe(true);
    expect(await bookDocument(incoming.db, now)).toEqual(document);
    for (const [kind, rows] of [
      ['capture', document.captures],
      ['ride', document.rides],
    ] as const)
      for (const { id } of rows)
        expect(loadColumns((await samplesIn(incoming.db)(kind, id))!)).toEqual(
          loadColumns((await samplesIn(book.db)(kind, id))!),
        );
  } finally {
    await incoming.drop();
    rmSync(folder, { recursive: true });
  }
}
