import 'server-only';
import { randomUUID } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { mkdtemp, open, rename, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { proxy } from 'comlink';
import { fail, reasonOf, succeed, type Outcome, type Problem } from '@/core/problem';
import { bookCounts, bookDocument, type BookCounts, samplesIn } from '@/data/backup';
import { database, theBook } from '@/data/book';
import type { IncomingBook } from '@/data/incomingBook';
import { restoreRecording, restoreRows } from '@/data/restore';
import type { Sink, Source } from '@/data/server.worker';
import { askWorker } from '@/data/serverWorker';
import type { BookDocument } from '@/core/formats/bookJson';
import { bookChanged } from '../read/cachedUntilWrite';
import { takeMemos } from '../read/memo';
import { receiveFile, refuse } from './receiveBody';
import { longWork, watched, type Tell } from './longWork';
import { verifyBackup } from '../read/verifyBackup';

const LARGEST_BACKUP_BYTES = 512 * 1024 * 1024;

/** What a restore would do, or has done. */
export interface RestoreReport {
  madeAtMs: number;
  before: BookCounts;
  after: BookCounts;
}

/** A backup that was written and read back, and can be fetched once. */
interface Saved {
  path: string;
  folder: string;
  madeAtMs: number;
}
const place = globalThis as typeof globalThis & { pebbleSaved?: Map<string, Saved> };
const saved = (place.pebbleSaved ??= new Map<string, Saved>());
const KEPT_MS = 10 * 60 * 1000;

/** Saves the whole book as a `.zip` and reads it back: what comes of it, watched, with the name under which to fetch it. */
export function saveBook(request: Request): Response {
  return watched(async (tell) => {
    const made = await makeBackup(request.signal, tell);
    return made.ok ? succeed({ id: made.value.id }) : made;
  });
}

/** A `.zip` that was saved under a name before; without one, saves it first. */
export async function sendBackup(request: Request): Promise<Response> {
  const named = new URL(request.url).searchParams.get('id');
  const made = named === null ? await makeBackup(request.signal, () => undefined) : succeed({ id: named });
  if (!made.ok) return refuse(made.problems, 503);
  const backup = saved.get(made.value.id);
  if (!backup) return refuse([GONE], 404);
  saved.delete(made.value.id);
  const { size } = await stat(backup.path);
  const file = createReadStream(backup.path);
  file.once('close', () => void rm(backup.folder, { force: true, recursive: true }));
  return new Response(Readable.toWeb(file) as ReadableStream, {
    headers: {
      'content-type': 'application/zip',
      'content-length': String(size),
      'content-disposition': `attachment; filename="pebble-road-${new Date(backup.madeAtMs).toISOString().slice(0, 10)}.zip"`,
    },
  });
}

const GONE: Problem = {
  code: 'no-such-backup',
  message: 'This backup was fetched already, or waited too long.',
  place: {},
  remedy: 'Save it again.',
};

/** A recording that is taken away while the book is saved makes a new beginning; so often, and no more. */
const MOST_TRIES = 3;

async function makeBackup(signal: AbortSignal, tell: Tell): Promise<Outcome<{ id: string }>> {
  for (let tries = 1; ; tries++) {
    const made = await makeOnce(signal, tell);
    const isChanged = !made.ok && made.problems[0]?.code === 'changed-meanwhile';
    if (!isChanged || tries === MOST_TRIES) return made;
  }
}

function makeOnce(signal: AbortSignal, tell: Tell): Promise<Outcome<{ id: string }>> {
  return longWork('The book is being saved', signal, async (passing) => {
    const db = await database();
    const madeAtMs = Date.now();
    const document = await bookDocument(db, madeAtMs);
    const path = join(passing, 'book.zip');
    const source: Source = {
      samples: samplesIn(db),
      progress: (done, of) => tell({ doing: 'Saving, and reading back every row', done, of }),
    };
    const outcome = await askWorker<Outcome<true>>(
      (worker) => worker.save(path, document, proxy(source)),
      signal,
    );
    if (!outcome.ok) return outcome;
    const folder = await mkdtemp(join(tmpdir(), 'pebble-road-'));
    const backup = { path: join(folder, 'book.zip'), folder, madeAtMs };
    await rename(path, backup.path);
    const id = randomUUID();
    saved.set(id, backup);
    setTimeout(() => {
      if (saved.delete(id)) void rm(folder, { force: true, recursive: true });
    }, KEPT_MS).unref();
    return succeed({ id });
  });
}

/**
 * Restores a backup and says what it replaces; with `?dry` it is made whole beside the book, looked through, and thrown
 * away again. A backup that is not sound in every row, or makes a book that cannot be shown, changes nothing. With
 * `?watch` the answer says line by line how far it is.
 */
export async function acceptBackup(request: Request): Promise<Response> {
  const asked = new URL(request.url).searchParams;
  const work = (tell: Tell) => restore(request, asked.has('dry'), tell);
  if (asked.has('watch')) return watched(work);
  const outcome = await work(() => undefined);
  return outcome.ok ? Response.json({ ok: true, ...outcome.value }) : refuse(outcome.problems, 422);
}

function restore(request: Request, isDry: boolean, tell: Tell): Promise<Outcome<RestoreReport>> {
  const { signal } = request;
  return longWork('A backup is being restored', signal, async (folder) => {
    tell({ doing: 'Taking the file in', done: 0, of: 1 });
    const path = join(folder, 'backup.zip');
    const received = await receiveFile(request, path, LARGEST_BACKUP_BYTES, 'backup');
    if (!received.ok) return received;
    if (!(await beginsAsZip(path))) return fail(NO_ZIP);
    const book = await theBook();
    // Begun once the backup was judged: one that is refused costs nothing.
    let begun: IncomingBook | null = null;
    // What is being written when the work is called off is waited for: nothing of it may reach the next one's book.
    let writing: Promise<void> = Promise.resolve();
    const sink: Sink = {
      book: (document) =>
        (writing = (async () => {
          begun = await book.incoming();
          await restoreRows(begun.db, document);
        })()),
      recording: (recording) => (writing = restoreRecording(begun!.db, recording)),
      progress: (done, of) => tell({ doing: 'Reading every row of it', done, of }),
    };
    let isTaken = false;
    try {
      const read = await askWorker<Outcome<BookDocument>>(
        (worker) => worker.read(path, Date.now(), proxy(sink)),
        signal,
      );
      if (!read.ok) return read;
      const incoming = begun!;
      await verifyBackup(incoming.db, (done, of) => {
        signal.throwIfAborted();
        tell({ doing: 'Looking through the book that it makes', done, of });
      }).catch((error: unknown) => {
        signal.throwIfAborted();
        throw new NotShown(error);
      });
      const report = {
        madeAtMs: read.value.madeAtMs,
        before: await bookCounts(book.db),
        after: await bookCounts(incoming.db),
      };
      if (!isDry) {
        await incoming.take();
        isTaken = true;
        takeMemos(book.db, incoming.db);
        bookChanged();
      }
      return succeed(report);
    } catch (error) {
      if (error instanceof NotShown) return fail(error.problem);
      throw error;
    } finally {
      await writing.catch(() => undefined);
      if (!isTaken) await (begun as IncomingBook | null)?.drop();
    }
  });
}

const NO_ZIP: Problem = {
  code: 'not-a-zip',
  message: 'The file is not a whole .zip.',
  place: {},
  remedy: 'Choose the .zip as it was saved, unchanged.',
};

/** The letters that every archive begins with: what has others need not be looked at. */
async function beginsAsZip(path: string): Promise<boolean> {
  const file = await open(path);
  const { buffer, bytesRead } = await file.read(Buffer.alloc(2), 0, 2, 0);
  await file.close();
  return bytesRead === 2 && buffer.toString('latin1') === 'PK';
}

/** The book that a backup makes cannot be shown. */
class NotShown extends Error {
  readonly problem: Problem;
  constructor(cause: unknown) {
    super('not shown');
    this.problem = {
      code: 'unreadable-book',
      message: `The backup makes no whole book: ${reasonOf(cause)}.`,
      place: {},
      remedy: 'Nothing was changed. Choose an unchanged backup.',
    };
  }
}
