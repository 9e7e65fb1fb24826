import 'server-only';
import { bookArchive, bookCounts, type BookCounts } from '@/data/backup';
import { reasonOf, type Problem } from '@/core/problem';
import { database } from '@/data/book';
import { readBackup, restoreBook } from '@/data/restore';
import { bookChanged } from '../bookChanged';
import { forgetMemos } from '../memo';
import { receiveBytes, refuse } from '../receive';
import { lookThrough } from './lookThrough';

const LARGEST_BACKUP_BYTES = 512 * 1024 * 1024;

/** What a restore would do, or has done. */
export interface RestoreReport {
  ok: true;
  madeAtMs: number;
  before: BookCounts;
  after: BookCounts;
}

/** The whole book as a `.zip`. */
export async function sendBackup(): Promise<Response> {
  const now = Date.now();
  const day = new Date(now).toISOString().slice(0, 10);
  return new Response(bookArchive(await database(), now), {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename="pebble-road-${day}.zip"`,
    },
  });
}

/**
 * Restores a backup and says what it replaces; with `?dry` all is taken back again. A backup that is not sound in every
 * row, or makes a book that cannot be shown, changes nothing.
 */
export async function acceptBackup(request: Request): Promise<Response> {
  const isDry = new URL(request.url).searchParams.has('dry');
  const received = await receiveBytes(request, LARGEST_BACKUP_BYTES, 'backup');
  if (!received.ok) return refuse(received.problems);
  const backup = await readBackup(received.value);
  if (!backup.ok) return refuse(backup.problems, 422);
  const db = await database();
  const { rigs, captures, rides, changes, madeAtMs } = backup.value.document;
  const report: RestoreReport = {
    ok: true,
    madeAtMs,
    before: await bookCounts(db),
    after: {
      rigs: rigs.length,
      captures: captures.length,
      rides: rides.length,
      changes: changes.length,
    },
  };
  try {
    await restoreBook(db, backup.value, async (restored) => {
      await lookThrough(restored);
      if (isDry) throw new Rehearsed();
    });
    forgetMemos(db);
    bookChanged();
  } catch (error) {
    if (!(error instanceof Rehearsed)) return refuse([notTaken(error)], 422);
  }
  return Response.json(report);
}

/** The restore was sound to its last row, and is taken back. */
class Rehearsed extends Error {}

function notTaken(error: unknown): Problem {
  return {
    code: 'unreadable-book',
    message: `The backup makes no whole book: ${reasonOf(error)}.`,
    place: {},
    remedy: 'Nothing was changed. Choose an unchanged backup.',
  };
}
