import { eq } from 'drizzle-orm';
import type { BookDocument } from '@/core/formats/bookJson';
import type { Database } from './database';
import type { ReadRecording } from './readBackup';
import { captureParts, captures, rideParts } from './schema';
import { RECORDS, type BookRecord } from './tables';

/** So many rows are written in one statement: a moment, not more. */
const CHUNK = 200;

/** Writes everything of a backup but its samples into an empty book. */
export async function restoreRows(db: Database, book: BookDocument): Promise<void> {
  for (const record of RECORDS) {
    const rows = book[record.name].map((row) => rowOf(record, row));
    for (let i = 0; i < rows.length; i += CHUNK)
      await db.insert(record.table).values(rows.slice(i, i + CHUNK));
  }
}

/** A row of the document as its table holds it: where its samples lie is for the archive alone. */
function rowOf(
  { moment }: BookRecord,
  { file: _, ...row }: Record<string, unknown>,
): Record<string, unknown> {
  if (moment === null) return row;
  const { [`${moment}Ms`]: atMs, ...rest } = row;
  return { ...rest, [moment]: new Date(Number(atMs)) };
}

/** Writes the samples of one recording of it. */
export async function restoreRecording(db: Database, recording: ReadRecording): Promise<void> {
  const { kind, id, parts, analysis } = recording;
  if (kind === 'capture') {
    for (const part of parts) await db.insert(captureParts).values({ captureId: id, ...part });
    if (analysis) await db.update(captures).set({ analysis }).where(eq(captures.id, id));
    return;
  }
  for (const [part, { samples }] of parts.entries())
    await db.insert(rideParts).values({ rideId: id, part, samples });
}
