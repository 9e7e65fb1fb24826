import { chmodSync, mkdtempSync, rmSync, statfsSync } from 'node:fs';
import { join } from 'node:path';

/** Where Linux keeps files in memory. */
const IN_MEMORY = '/dev/shm';
const LEAST_FREE_BYTES = 4 * 2 ** 30;

/**
 * From now on temporary files lie in memory, where there is some: a book is a thousand small files, and tests copy, open and
 * remove hundreds of books. They are gone when this process ends.
 */
export function keepTemporaryInMemory() {
  if (process.platform !== 'linux') return;
  try {
    const { bavail, bsize } = statfsSync(IN_MEMORY);
    if (bavail * bsize < LEAST_FREE_BYTES) return;
    const folder = mkdtempSync(join(IN_MEMORY, 'pebble-'));
    // The database server that tests start runs as a user of its own.
    chmodSync(folder, 0o755);
    process.env.TMPDIR = folder;
    process.once('exit', () => rmSync(folder, { force: true, recursive: true }));
  } catch {
    // No such place here: they lie where the system puts them.
  }
}
