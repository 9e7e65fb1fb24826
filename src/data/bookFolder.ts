import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeSync,
} from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { reasonOf } from '@/core/problem';

/** The book in a folder cannot be opened as it lies there; nothing of it was changed. */
export class BookRefused extends Error {}

/** Files are missing from the book or empty, as a partial copy leaves it. */
export class BookIncomplete extends BookRefused {
  constructor(folder: string, missing: string) {
    super(
      `The book in ${folder} is not whole: ${missing}. Nothing was changed. ` +
        `If it was copied or synchronised here, copy it again, whole, while no Pebble Road runs. ${SET_ASIDE}`,
    );
  }
}

/** All files are there, and the database cannot read them. */
export class BookDamaged extends BookRefused {
  constructor(folder: string, why: string) {
    super(`The book in ${folder} cannot be read: ${why}. Nothing was taken away. ${SET_ASIDE}`);
  }
}

/** A new book could not be begun. */
export class BookNotBegun extends Error {
  constructor(folder: string, error: unknown) {
    super(
      `No book could be begun in ${folder}: ${error instanceof Error ? error.message : 'the database did not start'}.`,
    );
  }
}

/** The folder cannot be written to. */
export class FolderUnwritable extends BookRefused {
  constructor(folder: string, error: unknown) {
    super(`The book in ${folder} cannot be opened: ${unwritable(error) ?? reasonOf(error)}`);
  }
}

const SET_ASIDE =
  'Otherwise "npm start -- --aside" moves it aside (it is kept) and begins an empty one: restore your newest backup there, under Card.';

const BOOK = 'book';
const MARKER = 'pebble-road.json';
/** What no book of ours is without. */
const NEEDED = [
  { path: 'PG_VERSION', least: 1 },
  { path: join('global', 'pg_control'), least: 8192 },
  { path: 'base' },
  { path: 'pg_xact' },
  { path: 'postgresql.conf', least: 1 },
];
const LOG = 'pg_wal';

const markerSchema = z.object({
  format: z.literal('pebble-road/folder'),
  version: z.literal(1),
  /** `beginning` until a book was first made whole here: until then there is nothing to lose. */
  state: z.enum(['beginning', 'whole']),
});
type State = z.output<typeof markerSchema>['state'];

export const bookPath = (folder: string) => join(/* turbopackIgnore: true */ folder, BOOK);

/**
 * Looks at what lies in a data folder before the database may touch it: the database would make a new, empty book over
 * one that has lost a file. A folder of its own mark says that a book lives here.
 * @returns whether a new book is begun
 * @throws {BookIncomplete} where a book was here and is not whole any more
 */
export function prepareFolder(folder: string): { isNew: boolean } {
  const state = readMarker(folder);
  const path = bookPath(folder);
  const isEmpty = !existsSync(path) || readdirSync(path).length === 0;
  if (state === 'beginning') rmSync(path, { force: true, recursive: true });
  if (state === 'beginning' || (state === null && isEmpty)) {
    writeMarker(folder, 'beginning');
    return { isNew: true };
  }
  const missing = isEmpty ? 'its folder "book" is gone or empty' : missingPart(path);
  if (missing) throw new BookIncomplete(folder, missing);
  // Also says early whether anything can be written here at all.
  writeMarker(folder, 'whole');
  return { isNew: false };
}

/** The book was made: from now on whatever is missing is a loss. */
export function markWhole(folder: string): void {
  writeMarker(folder, 'whole');
}

/** Moves a book that cannot be opened out of the way, so that a new one can begin; nothing of it is changed. */
export function setAside(folder: string, now = new Date()): string | null {
  const path = bookPath(folder);
  rmSync(join(/* turbopackIgnore: true */ folder, MARKER), { force: true });
  if (!existsSync(path)) return null;
  const stamp = now.toISOString().slice(0, 19).replaceAll(':', '-');
  const aside = `${path}-aside-${stamp}`;
  renameSync(path, aside);
  return aside;
}

function readMarker(folder: string): State | null {
  const file = join(/* turbopackIgnore: true */ folder, MARKER);
  if (!existsSync(file)) return null;
  try {
    return markerSchema.parse(JSON.parse(readFileSync(file, 'utf8'))).state;
  } catch {
    // A mark that cannot be read still says that something was here.
    return 'whole';
  }
}

/** Written beside and moved into place, and on the disk before anything is done that rests on it. */
function writeMarker(folder: string, state: State): void {
  try {
    mkdirSync(folder, { recursive: true });
    const file = join(/* turbopackIgnore: true */ folder, MARKER);
    const fresh = `${file}.new`;
    const handle = openSync(fresh, 'w');
    writeSync(handle, `${JSON.stringify({ format: 'pebble-road/folder', version: 1, state })}\n`);
    fsyncSync(handle);
    closeSync(handle);
    renameSync(fresh, file);
  } catch (error) {
    throw new FolderUnwritable(folder, error);
  }
}

/** As much as the database writes at a time. */
const TRIED_BYTES = 1024 * 1024;

/** Whether a disk takes anything at all. */
export function tryToWrite(folder: string): void {
  const file = join(/* turbopackIgnore: true */ folder, 'try.tmp');
  try {
    const handle = openSync(file, 'w');
    try {
      for (let done = 0; done < TRIED_BYTES;) done += writeSync(handle, Buffer.alloc(TRIED_BYTES - done));
      fsyncSync(handle);
    } finally {
      closeSync(handle);
    }
  } catch (error) {
    throw new FolderUnwritable(folder, error);
  } finally {
    rmSync(file, { force: true });
  }
}

function missingPart(path: string): string | null {
  for (const { path: part, least = 0 } of NEEDED) {
    const file = join(/* turbopackIgnore: true */ path, part);
    if (!existsSync(file)) return `"book/${part}" is missing`;
    const { size } = statSync(file);
    if (least > 0 && size < least) return `"book/${part}" is ${size === 0 ? 'empty' : 'cut off'}`;
  }
  const log = join(/* turbopackIgnore: true */ path, LOG);
  const segments = existsSync(log) ? readdirSync(log).filter((name) => /^[0-9A-F]{24}$/.test(name)) : [];
  if (segments.length === 0) return `"book/${LOG}" holds no log`;
  const empty = segments.find((name) => statSync(join(/* turbopackIgnore: true */ log, name)).size === 0);
  return empty ? `"book/${LOG}/${empty}" is empty` : null;
}

const WORDS: [RegExp, string][] = [
  [/ENOSPC|EDQUOT|no space left|disk quota/i, 'The disk is full. Free some space and try again.'],
  [/EROFS|read-only file system/i, 'Its disk can only be read. Choose another folder with PEBBLE_DATA.'],
  [
    /EACCES|EPERM|permission denied/i,
    'You may not write there. Mend its rights, or set PEBBLE_DATA to another folder.',
  ],
  [
    /ENOTDIR|EEXIST|not a directory/i,
    'A file stands where its folder should be. Set PEBBLE_DATA to another folder.',
  ],
  [
    /EIO|i\/o error|input\/output error/i,
    'The disk does not answer as it should. Check it before anything else.',
  ],
];

/** Why nothing can be written to a disk, in words; `null` where the error is about something else. */
export function unwritable(error: unknown): string | null {
  for (let at = error; at; at = at instanceof Error ? at.cause : undefined) {
    const said = `${(at as { code?: string }).code ?? ''} ${reasonOf(at)}`;
    const found = WORDS.find(([pattern]) => pattern.test(said));
    if (found) return found[1];
  }
  return null;
}
